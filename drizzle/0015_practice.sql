CREATE TABLE `practice_note` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`deed` json NOT NULL,
	`noted_by` uuid NOT NULL,
	`noted_at` datetime(3) NOT NULL,
	CONSTRAINT `practice_note_site_id_id_pk` PRIMARY KEY(`site_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `practice_trial` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`member_id` uuid NOT NULL,
	`trial` json NOT NULL,
	`answered_at` datetime(3) NOT NULL,
	`received_at` datetime(3) NOT NULL,
	CONSTRAINT `practice_trial_site_id_id_pk` PRIMARY KEY(`site_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `reader_use` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`member_id` uuid NOT NULL,
	`subject` json NOT NULL,
	`finding` json,
	`from_at` datetime(3),
	`decided_at` datetime(3) NOT NULL,
	CONSTRAINT `reader_use_site_id_id_pk` PRIMARY KEY(`site_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `said_before` (
	`site_id` uuid NOT NULL,
	`run_id` uuid NOT NULL,
	`said` json NOT NULL,
	`said_by` uuid NOT NULL,
	CONSTRAINT `said_before_site_id_run_id_pk` PRIMARY KEY(`site_id`,`run_id`)
);
--> statement-breakpoint
ALTER TABLE `practice_note` ADD CONSTRAINT `practice_note_site_id_site_id_fk` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `practice_note` ADD CONSTRAINT `practice_note_by` FOREIGN KEY (`site_id`,`noted_by`) REFERENCES `membership`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `practice_trial` ADD CONSTRAINT `practice_trial_site_id_site_id_fk` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `practice_trial` ADD CONSTRAINT `practice_trial_member` FOREIGN KEY (`site_id`,`member_id`) REFERENCES `membership`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `reader_use` ADD CONSTRAINT `reader_use_site_id_site_id_fk` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `reader_use` ADD CONSTRAINT `reader_use_member` FOREIGN KEY (`site_id`,`member_id`) REFERENCES `membership`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `said_before` ADD CONSTRAINT `said_before_run` FOREIGN KEY (`site_id`,`run_id`) REFERENCES `test_run`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `said_before` ADD CONSTRAINT `said_before_by` FOREIGN KEY (`site_id`,`said_by`) REFERENCES `membership`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `practice_note_by_time` ON `practice_note` (`site_id`,`noted_at`);--> statement-breakpoint
CREATE INDEX `practice_trial_of_member` ON `practice_trial` (`site_id`,`member_id`,`answered_at`);--> statement-breakpoint
CREATE INDEX `reader_use_of_member` ON `reader_use` (`site_id`,`member_id`,`decided_at`);--> statement-breakpoint
CREATE INDEX `said_before_of_member` ON `said_before` (`site_id`,`said_by`);