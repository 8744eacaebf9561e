-- Of each file one a line: the packed file of the same mod in which it lies, empty where it lies loose; null where all lie loose.
alter table contents add column containers text;
