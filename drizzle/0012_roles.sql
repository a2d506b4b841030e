-- Whoever kept a site alone is its owner; whoever helped there could do all but that, and still can.
UPDATE `membership` SET `role` = 'owner' WHERE `role` IN ('keeper', 'teacher');
--> statement-breakpoint
UPDATE `membership` SET `role` = 'keeper' WHERE `role` = 'helper';
