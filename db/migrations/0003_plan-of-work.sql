CREATE TABLE `job_plans` (
	`plan_of_work` integer NOT NULL,
	`plan_id` text NOT NULL,
	`kind` text NOT NULL,
	`document` text NOT NULL,
	PRIMARY KEY(`plan_of_work`, `plan_id`),
	FOREIGN KEY (`plan_of_work`) REFERENCES `plans_of_work`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `planning` (
	`id` integer PRIMARY KEY NOT NULL,
	`owner` text,
	`beat` integer NOT NULL,
	`looks` integer NOT NULL,
	`of` integer NOT NULL,
	`called_off` integer NOT NULL,
	`left` text,
	`trouble` text
);
--> statement-breakpoint
CREATE TABLE `plans_of_work` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`state` text NOT NULL,
	`key` text NOT NULL,
	`made_from` text NOT NULL,
	`changes` text NOT NULL,
	`at` integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE `shops` (
	`version` integer PRIMARY KEY NOT NULL,
	`label` text NOT NULL,
	`document` text NOT NULL,
	`at` integer NOT NULL
);
--> statement-breakpoint
ALTER TABLE `plans` ADD `state` text DEFAULT 'promised' NOT NULL;