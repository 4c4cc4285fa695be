CREATE TABLE `devices` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`role` text NOT NULL,
	`paired_at` integer NOT NULL,
	`seen_at` integer NOT NULL,
	`put_out_at` integer
);
--> statement-breakpoint
CREATE TABLE `ledger_lines` (
	`place` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`plan_id` text NOT NULL,
	`at` integer NOT NULL,
	`came_at` integer NOT NULL,
	`claimed_at` integer,
	`document` text NOT NULL,
	`changed` text,
	FOREIGN KEY (`plan_id`) REFERENCES `plans`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `ledger_lines_id_unique` ON `ledger_lines` (`id`);--> statement-breakpoint
CREATE INDEX `ledger_lines_by_plan` ON `ledger_lines` (`plan_id`,`place`);--> statement-breakpoint
CREATE TABLE `pairing_codes` (
	`digest` text PRIMARY KEY NOT NULL,
	`role` text NOT NULL,
	`made_at` integer NOT NULL,
	`ends_at` integer NOT NULL,
	`used_at` integer
);
