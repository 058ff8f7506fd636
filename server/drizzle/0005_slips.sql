-- One mistake has one name now: the program renames what is kept (see renameSlips).
UPDATE `sitting_slip` SET `slip` = `slip` WHERE false;
