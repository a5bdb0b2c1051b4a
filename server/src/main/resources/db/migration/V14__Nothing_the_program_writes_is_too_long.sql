-- texts that the program makes never decide whether something may be kept
alter table rig_note alter column text set data type varchar(1000000);
alter table rig_note alter column slots set data type varchar(1000000);

-- what is saved at the same time is saved one after the other
create table saving_lock (kind varchar(20) primary key);
insert into saving_lock values ('RIG'), ('TESTER'), ('FAULT_SET'), ('SCHEME');
