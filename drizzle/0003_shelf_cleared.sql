ALTER TABLE `result` DROP FOREIGN KEY `result_kit_check`;--> statement-breakpoint
ALTER TABLE `sample` DROP CONSTRAINT `sample_of_one_thing`;--> statement-breakpoint
ALTER TABLE `sample` DROP FOREIGN KEY `sample_standard`;--> statement-breakpoint
ALTER TABLE `sample` DROP INDEX `sample_standard`;--> statement-breakpoint
ALTER TABLE `sample` DROP COLUMN `standard_lot_id`;--> statement-breakpoint
DROP TABLE `attachment`;--> statement-breakpoint
DROP TABLE `run_instrument`;--> statement-breakpoint
DROP TABLE `run_lot`;--> statement-breakpoint
DROP TABLE `kit_check`;--> statement-breakpoint
DROP TABLE `instrument`;--> statement-breakpoint
DROP TABLE `lot`;
