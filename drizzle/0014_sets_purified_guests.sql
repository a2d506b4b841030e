CREATE TABLE `purified_note` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`fact` json NOT NULL,
	`note` varchar(2000) NOT NULL,
	`happened_at` datetime(3) NOT NULL,
	`noted_by` uuid NOT NULL,
	`received_at` datetime(3) NOT NULL,
	CONSTRAINT `purified_note_site_id_id_pk` PRIMARY KEY(`site_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `test_set` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`set_id` uuid NOT NULL,
	`name` varchar(60) NOT NULL,
	`details` json NOT NULL,
	`over` boolean NOT NULL,
	`saved_by` uuid NOT NULL,
	`received_at` datetime(3) NOT NULL,
	CONSTRAINT `test_set_site_id_id_pk` PRIMARY KEY(`site_id`,`id`)
);
--> statement-breakpoint
ALTER TABLE `water` ADD `guest_until` datetime(3);--> statement-breakpoint
ALTER TABLE `purified_note` ADD CONSTRAINT `purified_note_site_id_site_id_fk` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `purified_note` ADD CONSTRAINT `purified_note_by` FOREIGN KEY (`site_id`,`noted_by`) REFERENCES `membership`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `test_set` ADD CONSTRAINT `test_set_site_id_site_id_fk` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `test_set` ADD CONSTRAINT `test_set_by` FOREIGN KEY (`site_id`,`saved_by`) REFERENCES `membership`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `purified_note_by_time` ON `purified_note` (`site_id`,`happened_at`);--> statement-breakpoint
CREATE INDEX `test_set_newest` ON `test_set` (`site_id`,`set_id`,`received_at`);