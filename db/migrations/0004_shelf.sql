CREATE TABLE `movements` (
	`place` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`batch` text NOT NULL,
	`label` text NOT NULL,
	`document` text NOT NULL,
	`written_at` integer NOT NULL,
	`taken_back_at` integer
);
--> statement-breakpoint
CREATE UNIQUE INDEX `movements_id_unique` ON `movements` (`id`);--> statement-breakpoint
CREATE INDEX `movements_by_batch` ON `movements` (`batch`);--> statement-breakpoint
CREATE TABLE `shelf_books` (
	`version` integer PRIMARY KEY NOT NULL,
	`label` text NOT NULL,
	`document` text NOT NULL,
	`at` integer NOT NULL
);
