ALTER TABLE `method_version` ADD `owner_site_id` uuid;--> statement-breakpoint
ALTER TABLE `result` ADD `site_method_id` uuid;--> statement-breakpoint
ALTER TABLE `result` ADD CONSTRAINT `result_one_current_each` UNIQUE(`site_id`,`run_id`,`parameter`,`current`);--> statement-breakpoint
ALTER TABLE `method_version` ADD CONSTRAINT `method_version_owner_site_id_site_id_fk` FOREIGN KEY (`owner_site_id`) REFERENCES `site`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `result` ADD CONSTRAINT `result_method` FOREIGN KEY (`site_id`,`site_method_id`) REFERENCES `site_method`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `result_by_reading` ON `result` (`site_id`,`reading_id`);--> statement-breakpoint
ALTER TABLE `result` DROP INDEX `result_one_current`;--> statement-breakpoint
ALTER TABLE `result` DROP INDEX `result_derivation`;
