CREATE TABLE `attachment` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`run_id` uuid,
	`sha256` varchar(64) NOT NULL,
	`media_type` varchar(60) NOT NULL,
	`size_bytes` int NOT NULL,
	`received_at` datetime(3) NOT NULL,
	CONSTRAINT `attachment_site_id_id_pk` PRIMARY KEY(`site_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `bench_session` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`started_at` datetime(3) NOT NULL,
	`started_by` uuid NOT NULL,
	`received_at` datetime(3) NOT NULL,
	CONSTRAINT `bench_session_site_id_id_pk` PRIMARY KEY(`site_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `command_receipt` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`command` varchar(40) NOT NULL,
	`content_hash` char(64) NOT NULL,
	`answer` json NOT NULL,
	`received_at` datetime(3) NOT NULL,
	CONSTRAINT `command_receipt_site_id_id_pk` PRIMARY KEY(`site_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `event` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`water_id` uuid NOT NULL,
	`kind` varchar(32) NOT NULL,
	`details` json NOT NULL,
	`note` varchar(2000) NOT NULL,
	`happened_at` datetime(3) NOT NULL,
	`offset_minutes` smallint NOT NULL,
	`precision` varchar(8) NOT NULL,
	`recorded_by` uuid NOT NULL,
	`supersedes` uuid,
	`reason` varchar(500),
	`received_at` datetime(3) NOT NULL,
	CONSTRAINT `event_site_id_id_pk` PRIMARY KEY(`site_id`,`id`),
	CONSTRAINT `event_superseded_once` UNIQUE(`site_id`,`supersedes`)
);
--> statement-breakpoint
CREATE TABLE `instrument` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`label` varchar(120) NOT NULL,
	`received_at` datetime(3) NOT NULL,
	CONSTRAINT `instrument_site_id_id_pk` PRIMARY KEY(`site_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `kit_check` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`lot_id` uuid NOT NULL,
	`finding` json NOT NULL,
	`checked_at` datetime(3) NOT NULL,
	`received_at` datetime(3) NOT NULL,
	CONSTRAINT `kit_check_site_id_id_pk` PRIMARY KEY(`site_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `lot` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`site_method_id` uuid,
	`label` varchar(120) NOT NULL,
	`opened_at` datetime(3),
	`expires_at` datetime(3),
	`received_at` datetime(3) NOT NULL,
	CONSTRAINT `lot_site_id_id_pk` PRIMARY KEY(`site_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `membership` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`person_id` uuid NOT NULL,
	`role` varchar(20) NOT NULL,
	`from_at` datetime(3) NOT NULL,
	`until_at` datetime(3),
	CONSTRAINT `membership_site_id_id_pk` PRIMARY KEY(`site_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `method_version` (
	`id` uuid NOT NULL,
	`code` varchar(60) NOT NULL,
	`version` int NOT NULL,
	`content_hash` char(64) NOT NULL,
	`definition` json NOT NULL,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `method_version_id` PRIMARY KEY(`id`),
	CONSTRAINT `method_version_code` UNIQUE(`code`,`version`)
);
--> statement-breakpoint
CREATE TABLE `person` (
	`id` uuid NOT NULL,
	`display_name` varchar(80) NOT NULL,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `person_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `raw_reading` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`run_id` uuid NOT NULL,
	`form` varchar(40) NOT NULL,
	`form_version` int NOT NULL,
	`reading` json NOT NULL,
	`read_at` datetime(3) NOT NULL,
	`read_by` uuid NOT NULL,
	`supersedes` uuid,
	`reason` varchar(500),
	`received_at` datetime(3) NOT NULL,
	CONSTRAINT `raw_reading_site_id_id_pk` PRIMARY KEY(`site_id`,`id`),
	CONSTRAINT `raw_reading_superseded_once` UNIQUE(`site_id`,`supersedes`),
	CONSTRAINT `raw_reading_reason` CHECK((`raw_reading`.`supersedes` is null) = (`raw_reading`.`reason` is null))
);
--> statement-breakpoint
CREATE TABLE `result` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`run_id` uuid NOT NULL,
	`reading_id` uuid NOT NULL,
	`derivation_version` int NOT NULL,
	`kit_check_id` uuid,
	`parameter` varchar(24) NOT NULL,
	`species` varchar(40) NOT NULL,
	`unit` varchar(24) NOT NULL,
	`kind` varchar(10) NOT NULL,
	`value` double,
	`lower` double,
	`upper` double,
	`u_random` double,
	`u_common` double,
	`current` tinyint,
	`derived_at` datetime(3) NOT NULL,
	CONSTRAINT `result_site_id_id_pk` PRIMARY KEY(`site_id`,`id`),
	CONSTRAINT `result_one_current` UNIQUE(`site_id`,`run_id`,`current`),
	CONSTRAINT `result_derivation` UNIQUE(`site_id`,`reading_id`,`derivation_version`,`kit_check_id`),
	CONSTRAINT `result_shape` CHECK((`result`.`kind` = 'value' and `result`.`value` is not null and `result`.`u_random` is not null and `result`.`u_common` is not null) or (`result`.`kind` = 'interval' and `result`.`lower` is not null and `result`.`upper` is not null) or (`result`.`kind` = 'bound' and (`result`.`lower` is null) <> (`result`.`upper` is null)))
);
--> statement-breakpoint
CREATE TABLE `run_instrument` (
	`site_id` uuid NOT NULL,
	`run_id` uuid NOT NULL,
	`instrument_id` uuid NOT NULL,
	CONSTRAINT `run_instrument_site_id_run_id_instrument_id_pk` PRIMARY KEY(`site_id`,`run_id`,`instrument_id`)
);
--> statement-breakpoint
CREATE TABLE `run_lot` (
	`site_id` uuid NOT NULL,
	`run_id` uuid NOT NULL,
	`lot_id` uuid NOT NULL,
	CONSTRAINT `run_lot_site_id_run_id_lot_id_pk` PRIMARY KEY(`site_id`,`run_id`,`lot_id`)
);
--> statement-breakpoint
CREATE TABLE `sample` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`kind` varchar(16) NOT NULL,
	`water_id` uuid,
	`standard_lot_id` uuid,
	`drawn_at` datetime(3) NOT NULL,
	`offset_minutes` smallint NOT NULL,
	`precision` varchar(8) NOT NULL,
	`drawn_by` uuid NOT NULL,
	`temperature_c` double,
	`kept_how` varchar(200),
	`received_at` datetime(3) NOT NULL,
	CONSTRAINT `sample_site_id_id_pk` PRIMARY KEY(`site_id`,`id`),
	CONSTRAINT `sample_of_one_thing` CHECK((`sample`.`water_id` is null) <> (`sample`.`standard_lot_id` is null))
);
--> statement-breakpoint
CREATE TABLE `sign_in_session` (
	`token_digest` varchar(64) NOT NULL,
	`person_id` uuid NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`expires_at` datetime(3) NOT NULL,
	CONSTRAINT `sign_in_session_token_digest` PRIMARY KEY(`token_digest`)
);
--> statement-breakpoint
CREATE TABLE `site` (
	`id` uuid NOT NULL,
	`name` varchar(120) NOT NULL,
	`time_zone` varchar(60) NOT NULL,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `site_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `site_method` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`method_version_id` uuid NOT NULL,
	`adopted_at` datetime(3) NOT NULL,
	CONSTRAINT `site_method_site_id_id_pk` PRIMARY KEY(`site_id`,`id`),
	CONSTRAINT `site_method_once` UNIQUE(`site_id`,`method_version_id`)
);
--> statement-breakpoint
CREATE TABLE `target` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`water_id` uuid NOT NULL,
	`parameter` varchar(24) NOT NULL,
	`low` double,
	`high` double,
	`aim` double,
	`source` varchar(200) NOT NULL,
	`from_at` datetime(3) NOT NULL,
	`received_at` datetime(3) NOT NULL,
	CONSTRAINT `target_site_id_id_pk` PRIMARY KEY(`site_id`,`id`),
	CONSTRAINT `target_in_order` CHECK(`target`.`low` is null or `target`.`high` is null or `target`.`low` < `target`.`high`)
);
--> statement-breakpoint
CREATE TABLE `test_run` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`sample_id` uuid NOT NULL,
	`site_method_id` uuid NOT NULL,
	`session_id` uuid,
	`reader` uuid NOT NULL,
	`started_at` datetime(3) NOT NULL,
	`finished_at` datetime(3) NOT NULL,
	`step_log` json NOT NULL,
	`deviations` json NOT NULL,
	`note` varchar(2000) NOT NULL,
	`received_at` datetime(3) NOT NULL,
	CONSTRAINT `test_run_site_id_id_pk` PRIMARY KEY(`site_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `water` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`name` varchar(120) NOT NULL,
	`kind` varchar(24) NOT NULL,
	`lights_on_minute` smallint,
	`lights_off_minute` smallint,
	`has_animals` boolean NOT NULL,
	`started_at` datetime(3) NOT NULL,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `water_site_id_id_pk` PRIMARY KEY(`site_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `water_profile` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`water_id` uuid NOT NULL,
	`profile` varchar(40) NOT NULL,
	`from_at` datetime(3) NOT NULL,
	`received_at` datetime(3) NOT NULL,
	CONSTRAINT `water_profile_site_id_id_pk` PRIMARY KEY(`site_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `water_volume` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`water_id` uuid NOT NULL,
	`net_volume_l` double NOT NULL,
	`from_at` datetime(3) NOT NULL,
	`received_at` datetime(3) NOT NULL,
	CONSTRAINT `water_volume_site_id_id_pk` PRIMARY KEY(`site_id`,`id`),
	CONSTRAINT `water_volume_positive` CHECK(`water_volume`.`net_volume_l` > 0)
);
--> statement-breakpoint
ALTER TABLE `attachment` ADD CONSTRAINT `attachment_site` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `attachment` ADD CONSTRAINT `attachment_run` FOREIGN KEY (`site_id`,`run_id`) REFERENCES `test_run`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `bench_session` ADD CONSTRAINT `bench_session_started_by` FOREIGN KEY (`site_id`,`started_by`) REFERENCES `membership`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `command_receipt` ADD CONSTRAINT `command_receipt_site` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `event` ADD CONSTRAINT `event_water` FOREIGN KEY (`site_id`,`water_id`) REFERENCES `water`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `event` ADD CONSTRAINT `event_recorded_by` FOREIGN KEY (`site_id`,`recorded_by`) REFERENCES `membership`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `event` ADD CONSTRAINT `event_supersedes` FOREIGN KEY (`site_id`,`supersedes`) REFERENCES `event`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `instrument` ADD CONSTRAINT `instrument_site` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `kit_check` ADD CONSTRAINT `kit_check_lot` FOREIGN KEY (`site_id`,`lot_id`) REFERENCES `lot`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `lot` ADD CONSTRAINT `lot_site` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `lot` ADD CONSTRAINT `lot_method` FOREIGN KEY (`site_id`,`site_method_id`) REFERENCES `site_method`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `membership` ADD CONSTRAINT `membership_site_id_site_id_fk` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `membership` ADD CONSTRAINT `membership_person_id_person_id_fk` FOREIGN KEY (`person_id`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `raw_reading` ADD CONSTRAINT `raw_reading_run` FOREIGN KEY (`site_id`,`run_id`) REFERENCES `test_run`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `raw_reading` ADD CONSTRAINT `raw_reading_read_by` FOREIGN KEY (`site_id`,`read_by`) REFERENCES `membership`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `raw_reading` ADD CONSTRAINT `raw_reading_supersedes` FOREIGN KEY (`site_id`,`supersedes`) REFERENCES `raw_reading`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `result` ADD CONSTRAINT `result_run` FOREIGN KEY (`site_id`,`run_id`) REFERENCES `test_run`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `result` ADD CONSTRAINT `result_reading` FOREIGN KEY (`site_id`,`reading_id`) REFERENCES `raw_reading`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `result` ADD CONSTRAINT `result_kit_check` FOREIGN KEY (`site_id`,`kit_check_id`) REFERENCES `kit_check`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `run_instrument` ADD CONSTRAINT `run_instrument_run` FOREIGN KEY (`site_id`,`run_id`) REFERENCES `test_run`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `run_instrument` ADD CONSTRAINT `run_instrument_instrument` FOREIGN KEY (`site_id`,`instrument_id`) REFERENCES `instrument`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `run_lot` ADD CONSTRAINT `run_lot_run` FOREIGN KEY (`site_id`,`run_id`) REFERENCES `test_run`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `run_lot` ADD CONSTRAINT `run_lot_lot` FOREIGN KEY (`site_id`,`lot_id`) REFERENCES `lot`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `sample` ADD CONSTRAINT `sample_water` FOREIGN KEY (`site_id`,`water_id`) REFERENCES `water`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `sample` ADD CONSTRAINT `sample_standard` FOREIGN KEY (`site_id`,`standard_lot_id`) REFERENCES `lot`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `sample` ADD CONSTRAINT `sample_drawn_by` FOREIGN KEY (`site_id`,`drawn_by`) REFERENCES `membership`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `sign_in_session` ADD CONSTRAINT `sign_in_session_person` FOREIGN KEY (`person_id`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `site_method` ADD CONSTRAINT `site_method_site_id_site_id_fk` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `site_method` ADD CONSTRAINT `site_method_method_version_id_method_version_id_fk` FOREIGN KEY (`method_version_id`) REFERENCES `method_version`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `target` ADD CONSTRAINT `target_water` FOREIGN KEY (`site_id`,`water_id`) REFERENCES `water`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `test_run` ADD CONSTRAINT `test_run_sample` FOREIGN KEY (`site_id`,`sample_id`) REFERENCES `sample`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `test_run` ADD CONSTRAINT `test_run_method` FOREIGN KEY (`site_id`,`site_method_id`) REFERENCES `site_method`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `test_run` ADD CONSTRAINT `test_run_session` FOREIGN KEY (`site_id`,`session_id`) REFERENCES `bench_session`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `test_run` ADD CONSTRAINT `test_run_reader` FOREIGN KEY (`site_id`,`reader`) REFERENCES `membership`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `water` ADD CONSTRAINT `water_site_id_site_id_fk` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `water_profile` ADD CONSTRAINT `water_profile_water` FOREIGN KEY (`site_id`,`water_id`) REFERENCES `water`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `water_volume` ADD CONSTRAINT `water_volume_water` FOREIGN KEY (`site_id`,`water_id`) REFERENCES `water`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `event_by_water` ON `event` (`site_id`,`water_id`,`happened_at`);--> statement-breakpoint
CREATE INDEX `kit_check_by_lot` ON `kit_check` (`site_id`,`lot_id`,`checked_at`);--> statement-breakpoint
CREATE INDEX `membership_person` ON `membership` (`person_id`);--> statement-breakpoint
CREATE INDEX `raw_reading_by_run` ON `raw_reading` (`site_id`,`run_id`);--> statement-breakpoint
CREATE INDEX `sample_by_water` ON `sample` (`site_id`,`water_id`,`drawn_at`);--> statement-breakpoint
CREATE INDEX `target_by_water` ON `target` (`site_id`,`water_id`,`parameter`,`from_at`);--> statement-breakpoint
CREATE INDEX `test_run_by_sample` ON `test_run` (`site_id`,`sample_id`);