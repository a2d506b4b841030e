CREATE TABLE `calendar_feed` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`membership_id` uuid NOT NULL,
	`token_digest` varchar(64) NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`revoked_at` datetime(3),
	CONSTRAINT `calendar_feed_site_id_id_pk` PRIMARY KEY(`site_id`,`id`),
	CONSTRAINT `calendar_feed_token` UNIQUE(`token_digest`)
);
--> statement-breakpoint
CREATE TABLE `judgement_setting` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`water_id` uuid NOT NULL,
	`settings` json NOT NULL,
	`saved_by` uuid NOT NULL,
	`received_at` datetime(3) NOT NULL,
	CONSTRAINT `judgement_setting_site_id_id_pk` PRIMARY KEY(`site_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `laboratory_answer` (
	`site_id` uuid NOT NULL,
	`sample_id` uuid NOT NULL,
	`answered_at` datetime(3) NOT NULL,
	CONSTRAINT `laboratory_answer_site_id_sample_id_pk` PRIMARY KEY(`site_id`,`sample_id`)
);
--> statement-breakpoint
CREATE TABLE `laboratory_sample` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`water_id` uuid NOT NULL,
	`parameters` json NOT NULL,
	`drawn_at` datetime(3) NOT NULL,
	`offset_minutes` smallint NOT NULL,
	`note` varchar(2000) NOT NULL,
	`sent_at` datetime(3) NOT NULL,
	`sent_by` uuid NOT NULL,
	CONSTRAINT `laboratory_sample_site_id_id_pk` PRIMARY KEY(`site_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `own_profile` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`name` varchar(80) NOT NULL,
	`source` varchar(200) NOT NULL,
	`bands` json NOT NULL,
	`saved_by` uuid NOT NULL,
	`received_at` datetime(3) NOT NULL,
	CONSTRAINT `own_profile_site_id_id_pk` PRIMARY KEY(`site_id`,`id`)
);
--> statement-breakpoint
ALTER TABLE `calendar_feed` ADD CONSTRAINT `calendar_feed_site_id_site_id_fk` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `calendar_feed` ADD CONSTRAINT `calendar_feed_member` FOREIGN KEY (`site_id`,`membership_id`) REFERENCES `membership`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `judgement_setting` ADD CONSTRAINT `judgement_setting_water` FOREIGN KEY (`site_id`,`water_id`) REFERENCES `water`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `judgement_setting` ADD CONSTRAINT `judgement_setting_by` FOREIGN KEY (`site_id`,`saved_by`) REFERENCES `membership`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `laboratory_answer` ADD CONSTRAINT `laboratory_answer_sample` FOREIGN KEY (`site_id`,`sample_id`) REFERENCES `laboratory_sample`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `laboratory_sample` ADD CONSTRAINT `laboratory_sample_water` FOREIGN KEY (`site_id`,`water_id`) REFERENCES `water`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `laboratory_sample` ADD CONSTRAINT `laboratory_sample_by` FOREIGN KEY (`site_id`,`sent_by`) REFERENCES `membership`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `own_profile` ADD CONSTRAINT `own_profile_site_id_site_id_fk` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `own_profile` ADD CONSTRAINT `own_profile_by` FOREIGN KEY (`site_id`,`saved_by`) REFERENCES `membership`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `laboratory_sample_of_water` ON `laboratory_sample` (`site_id`,`water_id`,`sent_at`);