ALTER TABLE `plans` ADD `look` blob;--> statement-breakpoint
UPDATE `plans` SET `summarised` = 0;
