CREATE TABLE `attachment_withdrawal` (
	`site_id` uuid NOT NULL,
	`id` uuid NOT NULL,
	`attachment_id` uuid NOT NULL,
	`withdrawn_by` uuid NOT NULL,
	`received_at` datetime(3) NOT NULL,
	CONSTRAINT `attachment_withdrawal_site_id_id_pk` PRIMARY KEY(`site_id`,`id`),
	CONSTRAINT `attachment_withdrawn_once` UNIQUE(`site_id`,`attachment_id`)
);
--> statement-breakpoint
ALTER TABLE `attachment_withdrawal` ADD CONSTRAINT `attachment_withdrawal_of` FOREIGN KEY (`site_id`,`attachment_id`) REFERENCES `attachment`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `attachment_withdrawal` ADD CONSTRAINT `attachment_withdrawal_by` FOREIGN KEY (`site_id`,`withdrawn_by`) REFERENCES `membership`(`site_id`,`id`) ON DELETE no action ON UPDATE no action;