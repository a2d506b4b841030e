CREATE TABLE `session_sheet` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`session_id` uuid NOT NULL,
	`revision` int NOT NULL,
	`state` varchar(12) NOT NULL,
	`due_at` datetime(3),
	`started_at` datetime(3) NOT NULL,
	`tests` json NOT NULL,
	`saved_by` uuid NOT NULL,
	`received_at` datetime(3) NOT NULL,
	CONSTRAINT `session_sheet_site_id_id_pk` PRIMARY KEY(`site_id`,`id`),
	CONSTRAINT `session_sheet_revision` UNIQUE(`site_id`,`session_id`,`revision`)
);
--> statement-breakpoint
ALTER TABLE `session_sheet` ADD CONSTRAINT `session_sheet_session` FOREIGN KEY (`site_id`,`session_id`) REFERENCES `bench_session`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `session_sheet` ADD CONSTRAINT `session_sheet_saved_by` FOREIGN KEY (`site_id`,`saved_by`) REFERENCES `membership`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;