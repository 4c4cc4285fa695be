CREATE TABLE `photos` (
	`id` text PRIMARY KEY NOT NULL,
	`plan_id` text NOT NULL,
	`zone_id` text NOT NULL,
	`step_id` text,
	`note` text NOT NULL,
	`width` integer NOT NULL,
	`height` integer NOT NULL,
	`jpeg` blob NOT NULL,
	`at` integer NOT NULL,
	`removed_at` integer,
	FOREIGN KEY (`plan_id`) REFERENCES `plans`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `photos_by_plan` ON `photos` (`plan_id`,`at`);