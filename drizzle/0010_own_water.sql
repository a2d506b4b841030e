CREATE TABLE `auth_account` (
	`id` varchar(36) NOT NULL,
	`account_id` varchar(255) NOT NULL,
	`provider_id` varchar(60) NOT NULL,
	`user_id` varchar(36) NOT NULL,
	`access_token` text,
	`refresh_token` text,
	`id_token` text,
	`access_token_expires_at` datetime(3),
	`refresh_token_expires_at` datetime(3),
	`scope` text,
	`password` text,
	`created_at` datetime(3) NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	CONSTRAINT `auth_account_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `auth_session` (
	`id` varchar(36) NOT NULL,
	`token` varchar(80) NOT NULL,
	`user_id` varchar(36) NOT NULL,
	`expires_at` datetime(3) NOT NULL,
	`ip_address` varchar(64),
	`user_agent` text,
	`created_at` datetime(3) NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	CONSTRAINT `auth_session_id` PRIMARY KEY(`id`),
	CONSTRAINT `auth_session_token_unique` UNIQUE(`token`)
);
--> statement-breakpoint
CREATE TABLE `auth_user` (
	`id` varchar(36) NOT NULL,
	`name` varchar(80) NOT NULL,
	`email` varchar(254) NOT NULL,
	`email_verified` boolean NOT NULL DEFAULT false,
	`image` text,
	`username` varchar(80),
	`display_username` varchar(80),
	`created_at` datetime(3) NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	CONSTRAINT `auth_user_id` PRIMARY KEY(`id`),
	CONSTRAINT `auth_user_email_unique` UNIQUE(`email`),
	CONSTRAINT `auth_user_username_unique` UNIQUE(`username`)
);
--> statement-breakpoint
CREATE TABLE `auth_verification` (
	`id` varchar(36) NOT NULL,
	`identifier` varchar(255) NOT NULL,
	`value` text NOT NULL,
	`expires_at` datetime(3) NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	CONSTRAINT `auth_verification_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `beginning` (
	`token_digest` varchar(64) NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`expires_at` datetime(3) NOT NULL,
	`used_at` datetime(3),
	CONSTRAINT `beginning_token_digest` PRIMARY KEY(`token_digest`)
);
--> statement-breakpoint
CREATE TABLE `person_account` (
	`person_id` uuid NOT NULL,
	`user_id` varchar(36) NOT NULL,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `person_account_person_id` PRIMARY KEY(`person_id`),
	CONSTRAINT `person_account_user_id_unique` UNIQUE(`user_id`)
);
--> statement-breakpoint
CREATE TABLE `water_lights` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`water_id` uuid NOT NULL,
	`on_minute` smallint,
	`off_minute` smallint,
	`from_at` datetime(3) NOT NULL,
	`received_at` datetime(3) NOT NULL,
	CONSTRAINT `water_lights_site_id_id_pk` PRIMARY KEY(`site_id`,`id`)
);
--> statement-breakpoint
ALTER TABLE `site` ADD `takes_shipped` varchar(10) DEFAULT 'all' NOT NULL;--> statement-breakpoint
ALTER TABLE `site` ADD `made_up` boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `site_method` ADD `left_at` datetime(3);--> statement-breakpoint
ALTER TABLE `water` ADD `ended_at` datetime(3);--> statement-breakpoint
ALTER TABLE `water` ADD `place` smallint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `water_volume` ADD `u_l` double;--> statement-breakpoint
ALTER TABLE `auth_account` ADD CONSTRAINT `auth_account_user` FOREIGN KEY (`user_id`) REFERENCES `auth_user`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `auth_session` ADD CONSTRAINT `auth_session_user` FOREIGN KEY (`user_id`) REFERENCES `auth_user`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `person_account` ADD CONSTRAINT `person_account_person_id_person_id_fk` FOREIGN KEY (`person_id`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `person_account` ADD CONSTRAINT `person_account_user` FOREIGN KEY (`user_id`) REFERENCES `auth_user`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `water_lights` ADD CONSTRAINT `water_lights_water` FOREIGN KEY (`site_id`,`water_id`) REFERENCES `water`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `auth_verification_identifier` ON `auth_verification` (`identifier`);