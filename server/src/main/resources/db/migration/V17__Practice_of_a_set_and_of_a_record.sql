-- drills that assessors write
insert into document_kind values ('DRILL');
insert into saving_lock values ('DRILL');
-- what a practice was begun with stays, whatever becomes of the drill
alter table practice add column drill_file clob default '' not null;
-- one's own, a set that an assessor tries, or a record that is gone through again
alter table practice add column purpose varchar(20) default 'OWN' not null;
-- what stands in the record that is gone through again, by box
alter table practice add column beside clob default '{}' not null;
-- kinds of fault that were on the rig, and whether each was named
alter table practice add column kinds clob default '[]' not null;
-- to whom somebody shows how they get on
create table practice_shown (
    account_id varchar(40) not null primary key references account,
    shown_to varchar(40) not null references account
);
create index practice_shown_to on practice_shown (shown_to);
