CREATE TABLE `edits` (
	`id` text PRIMARY KEY NOT NULL,
	`plan_id` text NOT NULL,
	`version` integer NOT NULL,
	`place` integer NOT NULL,
	`label` text NOT NULL,
	`commands` text NOT NULL,
	`inverse` text NOT NULL,
	`state` text NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`plan_id`) REFERENCES `plans`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `edits_by_plan` ON `edits` (`plan_id`,`place`);--> statement-breakpoint
CREATE TABLE `plans` (
	`id` text PRIMARY KEY NOT NULL,
	`title` text NOT NULL,
	`client` text,
	`version` integer NOT NULL,
	`document` text NOT NULL,
	`summary` text NOT NULL,
	`created_at` integer NOT NULL,
	`updated_at` integer NOT NULL,
	`removed_at` integer
);
--> statement-breakpoint
CREATE INDEX `plans_by_update` ON `plans` (`removed_at`,`updated_at`);