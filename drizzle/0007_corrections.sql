CREATE TABLE `correction_plan` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`water_id` uuid NOT NULL,
	`plan` json NOT NULL,
	`starts_at` datetime(3) NOT NULL,
	`offset_minutes` smallint NOT NULL,
	`made_by` uuid NOT NULL,
	`received_at` datetime(3) NOT NULL,
	CONSTRAINT `correction_plan_site_id_id_pk` PRIMARY KEY(`site_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `daily_limit` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`water_id` uuid NOT NULL,
	`parameter` varchar(24) NOT NULL,
	`direction` varchar(4) NOT NULL,
	`per_day` double NOT NULL,
	`reason` varchar(500) NOT NULL,
	`saved_by` uuid NOT NULL,
	`received_at` datetime(3) NOT NULL,
	CONSTRAINT `daily_limit_site_id_id_pk` PRIMARY KEY(`site_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `plan_note` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`plan_id` uuid NOT NULL,
	`kind` varchar(12) NOT NULL,
	`details` json NOT NULL,
	`note` varchar(2000) NOT NULL,
	`happened_at` datetime(3) NOT NULL,
	`noted_by` uuid NOT NULL,
	`received_at` datetime(3) NOT NULL,
	CONSTRAINT `plan_note_site_id_id_pk` PRIMARY KEY(`site_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `supplement` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`name` varchar(120) NOT NULL,
	`details` json NOT NULL,
	`saved_by` uuid NOT NULL,
	`received_at` datetime(3) NOT NULL,
	CONSTRAINT `supplement_site_id_id_pk` PRIMARY KEY(`site_id`,`id`)
);
--> statement-breakpoint
ALTER TABLE `correction_plan` ADD CONSTRAINT `correction_plan_water` FOREIGN KEY (`site_id`,`water_id`) REFERENCES `water`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `correction_plan` ADD CONSTRAINT `correction_plan_by` FOREIGN KEY (`site_id`,`made_by`) REFERENCES `membership`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `daily_limit` ADD CONSTRAINT `daily_limit_water` FOREIGN KEY (`site_id`,`water_id`) REFERENCES `water`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `daily_limit` ADD CONSTRAINT `daily_limit_by` FOREIGN KEY (`site_id`,`saved_by`) REFERENCES `membership`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `plan_note` ADD CONSTRAINT `plan_note_plan` FOREIGN KEY (`site_id`,`plan_id`) REFERENCES `correction_plan`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `plan_note` ADD CONSTRAINT `plan_note_by` FOREIGN KEY (`site_id`,`noted_by`) REFERENCES `membership`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `supplement` ADD CONSTRAINT `supplement_site_id_site_id_fk` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `supplement` ADD CONSTRAINT `supplement_by` FOREIGN KEY (`site_id`,`saved_by`) REFERENCES `membership`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `correction_plan_of_water` ON `correction_plan` (`site_id`,`water_id`,`starts_at`);--> statement-breakpoint
CREATE INDEX `plan_note_of_plan` ON `plan_note` (`site_id`,`plan_id`,`happened_at`);