CREATE TABLE `drill_answers` (
	`id` text PRIMARY KEY NOT NULL,
	`drill_id` text NOT NULL,
	`at` integer NOT NULL,
	`seconds` integer NOT NULL,
	`right` integer NOT NULL
);
--> statement-breakpoint
CREATE INDEX `drill_answers_by_time` ON `drill_answers` (`at`);--> statement-breakpoint
CREATE TABLE `drill_cards` (
	`drill_id` text PRIMARY KEY NOT NULL,
	`kind` text NOT NULL,
	`family` text NOT NULL,
	`card` text NOT NULL,
	`seen` integer NOT NULL,
	`right` integer NOT NULL,
	`due` integer NOT NULL
);
