CREATE TABLE `slip_answer` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`run_id` uuid NOT NULL,
	`kind` varchar(24),
	`answer` varchar(16) NOT NULL,
	`answered_by` uuid NOT NULL,
	`answered_at` datetime(3) NOT NULL,
	CONSTRAINT `slip_answer_site_id_id_pk` PRIMARY KEY(`site_id`,`id`)
);
--> statement-breakpoint
ALTER TABLE `slip_answer` ADD CONSTRAINT `slip_answer_run` FOREIGN KEY (`site_id`,`run_id`) REFERENCES `test_run`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `slip_answer` ADD CONSTRAINT `slip_answer_by` FOREIGN KEY (`site_id`,`answered_by`) REFERENCES `membership`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;