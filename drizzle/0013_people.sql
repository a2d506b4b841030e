CREATE TABLE `auth_passkey` (
	`id` varchar(36) NOT NULL,
	`name` varchar(120),
	`public_key` text NOT NULL,
	`user_id` varchar(36) NOT NULL,
	`credential_id` varchar(400) NOT NULL,
	`counter` int NOT NULL,
	`device_type` varchar(40) NOT NULL,
	`backed_up` boolean NOT NULL,
	`transports` varchar(120),
	`created_at` datetime(3),
	`aaguid` varchar(60),
	CONSTRAINT `auth_passkey_id` PRIMARY KEY(`id`),
	CONSTRAINT `auth_passkey_credential_id_unique` UNIQUE(`credential_id`)
);
--> statement-breakpoint
CREATE TABLE `auth_two_factor` (
	`id` varchar(36) NOT NULL,
	`secret` text NOT NULL,
	`backup_codes` text NOT NULL,
	`user_id` varchar(36) NOT NULL,
	`verified` boolean NOT NULL DEFAULT true,
	`failed_verification_count` int NOT NULL DEFAULT 0,
	`locked_until` datetime(3),
	CONSTRAINT `auth_two_factor_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `failed_try` (
	`key_digest` varchar(64) NOT NULL,
	`failures` int NOT NULL,
	`last_at` datetime(3) NOT NULL,
	CONSTRAINT `failed_try_key_digest` PRIMARY KEY(`key_digest`)
);
--> statement-breakpoint
CREATE TABLE `invitation` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`token_digest` varchar(64) NOT NULL,
	`code_digest` varchar(64),
	`for_whom` varchar(80) NOT NULL,
	`role` varchar(20) NOT NULL,
	`member_until` datetime(3),
	`invited_by` uuid NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`expires_at` datetime(3) NOT NULL,
	`used_at` datetime(3),
	`used_by` uuid,
	`revoked_at` datetime(3),
	CONSTRAINT `invitation_site_id_id_pk` PRIMARY KEY(`site_id`,`id`),
	CONSTRAINT `invitation_token_digest_unique` UNIQUE(`token_digest`)
);
--> statement-breakpoint
CREATE TABLE `place` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`name` varchar(80) NOT NULL,
	`membership_id` uuid NOT NULL,
	`link_digest` varchar(64) NOT NULL,
	`link_expires_at` datetime(3) NOT NULL,
	`token_digest` varchar(64),
	`added_by` uuid NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`taken_up_at` datetime(3),
	`revoked_at` datetime(3),
	CONSTRAINT `place_site_id_id_pk` PRIMARY KEY(`site_id`,`id`),
	CONSTRAINT `place_link_digest_unique` UNIQUE(`link_digest`),
	CONSTRAINT `place_token_digest_unique` UNIQUE(`token_digest`)
);
--> statement-breakpoint
CREATE TABLE `place_reader` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`place_id` uuid NOT NULL,
	`membership_id` uuid,
	`from_at` datetime(3) NOT NULL,
	CONSTRAINT `place_reader_site_id_id_pk` PRIMARY KEY(`site_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `reader_pin` (
	`site_id` uuid NOT NULL,
	`membership_id` uuid NOT NULL,
	`hash` varchar(200) NOT NULL,
	`set_at` datetime(3) NOT NULL,
	CONSTRAINT `reader_pin_site_id_membership_id_pk` PRIMARY KEY(`site_id`,`membership_id`)
);
--> statement-breakpoint
CREATE TABLE `reset_link` (
	`token_digest` varchar(64) NOT NULL,
	`user_id` varchar(36) NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`expires_at` datetime(3) NOT NULL,
	`used_at` datetime(3),
	CONSTRAINT `reset_link_token_digest` PRIMARY KEY(`token_digest`)
);
--> statement-breakpoint
CREATE TABLE `site_history` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`at` datetime(3) NOT NULL,
	`done_by` uuid NOT NULL,
	`deed` json NOT NULL,
	CONSTRAINT `site_history_site_id_id_pk` PRIMARY KEY(`site_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `visitor_sheet` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`water_id` uuid NOT NULL,
	`token_digest` varchar(64) NOT NULL,
	`for_whom` varchar(80) NOT NULL,
	`words` json NOT NULL,
	`given_by` uuid NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`expires_at` datetime(3) NOT NULL,
	`revoked_at` datetime(3),
	CONSTRAINT `visitor_sheet_site_id_id_pk` PRIMARY KEY(`site_id`,`id`),
	CONSTRAINT `visitor_sheet_token_digest_unique` UNIQUE(`token_digest`)
);
--> statement-breakpoint
ALTER TABLE `auth_session` ADD `previous_token` varchar(80);--> statement-breakpoint
ALTER TABLE `auth_session` ADD `renewed_at` datetime(3);--> statement-breakpoint
ALTER TABLE `auth_session` ADD `taken_up_at` datetime(3);--> statement-breakpoint
ALTER TABLE `auth_user` ADD `two_factor_enabled` boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `person` ADD `former_at` datetime(3);--> statement-breakpoint
ALTER TABLE `auth_session` ADD CONSTRAINT `auth_session_previous_token_unique` UNIQUE(`previous_token`);--> statement-breakpoint
ALTER TABLE `auth_passkey` ADD CONSTRAINT `auth_passkey_user` FOREIGN KEY (`user_id`) REFERENCES `auth_user`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `auth_two_factor` ADD CONSTRAINT `auth_two_factor_user` FOREIGN KEY (`user_id`) REFERENCES `auth_user`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `invitation` ADD CONSTRAINT `invitation_invited_by` FOREIGN KEY (`site_id`,`invited_by`) REFERENCES `membership`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `invitation` ADD CONSTRAINT `invitation_used_by` FOREIGN KEY (`site_id`,`used_by`) REFERENCES `membership`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `place` ADD CONSTRAINT `place_membership` FOREIGN KEY (`site_id`,`membership_id`) REFERENCES `membership`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `place` ADD CONSTRAINT `place_added_by` FOREIGN KEY (`site_id`,`added_by`) REFERENCES `membership`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `place_reader` ADD CONSTRAINT `place_reader_place` FOREIGN KEY (`site_id`,`place_id`) REFERENCES `place`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `place_reader` ADD CONSTRAINT `place_reader_membership` FOREIGN KEY (`site_id`,`membership_id`) REFERENCES `membership`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `reader_pin` ADD CONSTRAINT `reader_pin_membership` FOREIGN KEY (`site_id`,`membership_id`) REFERENCES `membership`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `reset_link` ADD CONSTRAINT `reset_link_user` FOREIGN KEY (`user_id`) REFERENCES `auth_user`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `site_history` ADD CONSTRAINT `site_history_done_by` FOREIGN KEY (`site_id`,`done_by`) REFERENCES `membership`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `visitor_sheet` ADD CONSTRAINT `visitor_sheet_water` FOREIGN KEY (`site_id`,`water_id`) REFERENCES `water`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `visitor_sheet` ADD CONSTRAINT `visitor_sheet_given_by` FOREIGN KEY (`site_id`,`given_by`) REFERENCES `membership`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `place_reader_from` ON `place_reader` (`site_id`,`place_id`,`from_at`);--> statement-breakpoint
CREATE INDEX `site_history_at` ON `site_history` (`site_id`,`at`);