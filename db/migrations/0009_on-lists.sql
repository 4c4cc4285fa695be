DROP INDEX `plans_by_update`;--> statement-breakpoint
ALTER TABLE `plans` ADD `start` text;--> statement-breakpoint
ALTER TABLE `plans` ADD `due` text;--> statement-breakpoint
UPDATE `plans` SET `start` = json_extract(`document`, '$.start'), `due` = json_extract(`document`, '$.due') WHERE json_valid(`document`);--> statement-breakpoint
CREATE INDEX `plans_on_lists` ON `plans` (`removed_at`,`state`,`updated_at`,`id`,`title`,`client`,`start`,`due`,`version`);