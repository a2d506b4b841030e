CREATE TABLE `attachment` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`run_id` uuid,
	`item_id` uuid,
	`sha256` varchar(64) NOT NULL,
	`media_type` varchar(60) NOT NULL,
	`size_bytes` int NOT NULL,
	`content` mediumblob NOT NULL,
	`added_by` uuid NOT NULL,
	`received_at` datetime(3) NOT NULL,
	CONSTRAINT `attachment_site_id_id_pk` PRIMARY KEY(`site_id`,`id`),
	CONSTRAINT `attachment_of_one_thing` CHECK((`attachment`.`run_id` is null) <> (`attachment`.`item_id` is null))
);
--> statement-breakpoint
CREATE TABLE `kit_check` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`item_id` uuid NOT NULL,
	`parameter` varchar(24) NOT NULL,
	`run_ids` json NOT NULL,
	`finding` json NOT NULL,
	`checked_at` datetime(3) NOT NULL,
	`checked_by` uuid NOT NULL,
	`received_at` datetime(3) NOT NULL,
	CONSTRAINT `kit_check_site_id_id_pk` PRIMARY KEY(`site_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `run_item` (
	`site_id` uuid NOT NULL,
	`run_id` uuid NOT NULL,
	`item_id` uuid NOT NULL,
	CONSTRAINT `run_item_site_id_run_id_item_id_pk` PRIMARY KEY(`site_id`,`run_id`,`item_id`)
);
--> statement-breakpoint
CREATE TABLE `shelf_item` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`kind` varchar(16) NOT NULL,
	`name` varchar(120) NOT NULL,
	`lot_code` varchar(60) NOT NULL,
	`site_method_id` uuid,
	`price` double,
	`bought_at` datetime(3),
	`expires_at` datetime(3),
	`details` json NOT NULL,
	`added_by` uuid NOT NULL,
	`received_at` datetime(3) NOT NULL,
	CONSTRAINT `shelf_item_site_id_id_pk` PRIMARY KEY(`site_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `shelf_note` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`item_id` uuid NOT NULL,
	`kind` varchar(20) NOT NULL,
	`details` json NOT NULL,
	`note` varchar(2000) NOT NULL,
	`happened_at` datetime(3) NOT NULL,
	`noted_by` uuid NOT NULL,
	`received_at` datetime(3) NOT NULL,
	CONSTRAINT `shelf_note_site_id_id_pk` PRIMARY KEY(`site_id`,`id`)
);
--> statement-breakpoint
ALTER TABLE `sample` ADD `standard_id` uuid;--> statement-breakpoint
ALTER TABLE `attachment` ADD CONSTRAINT `attachment_site` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `attachment` ADD CONSTRAINT `attachment_run` FOREIGN KEY (`site_id`,`run_id`) REFERENCES `test_run`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `attachment` ADD CONSTRAINT `attachment_item` FOREIGN KEY (`site_id`,`item_id`) REFERENCES `shelf_item`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `attachment` ADD CONSTRAINT `attachment_added_by` FOREIGN KEY (`site_id`,`added_by`) REFERENCES `membership`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `kit_check` ADD CONSTRAINT `kit_check_item` FOREIGN KEY (`site_id`,`item_id`) REFERENCES `shelf_item`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `kit_check` ADD CONSTRAINT `kit_check_by` FOREIGN KEY (`site_id`,`checked_by`) REFERENCES `membership`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `run_item` ADD CONSTRAINT `run_item_run` FOREIGN KEY (`site_id`,`run_id`) REFERENCES `test_run`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `run_item` ADD CONSTRAINT `run_item_item` FOREIGN KEY (`site_id`,`item_id`) REFERENCES `shelf_item`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `shelf_item` ADD CONSTRAINT `shelf_item_site` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `shelf_item` ADD CONSTRAINT `shelf_item_method` FOREIGN KEY (`site_id`,`site_method_id`) REFERENCES `site_method`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `shelf_item` ADD CONSTRAINT `shelf_item_added_by` FOREIGN KEY (`site_id`,`added_by`) REFERENCES `membership`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `shelf_note` ADD CONSTRAINT `shelf_note_item` FOREIGN KEY (`site_id`,`item_id`) REFERENCES `shelf_item`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `shelf_note` ADD CONSTRAINT `shelf_note_by` FOREIGN KEY (`site_id`,`noted_by`) REFERENCES `membership`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `kit_check_of_item` ON `kit_check` (`site_id`,`item_id`,`checked_at`);--> statement-breakpoint
CREATE INDEX `shelf_note_by_item` ON `shelf_note` (`site_id`,`item_id`,`happened_at`);--> statement-breakpoint
ALTER TABLE `sample` ADD CONSTRAINT `sample_of_one_thing` CHECK ((`sample`.`water_id` is null) <> (`sample`.`standard_id` is null));--> statement-breakpoint
ALTER TABLE `result` ADD CONSTRAINT `result_kit_check` FOREIGN KEY (`site_id`,`kit_check_id`) REFERENCES `kit_check`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `sample` ADD CONSTRAINT `sample_standard` FOREIGN KEY (`site_id`,`standard_id`) REFERENCES `shelf_item`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;