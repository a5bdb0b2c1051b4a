-- what somebody practised: kept apart from assessments, and erased when its owner asks
create table practice (
    practice_id varchar(40) not null primary key,
    account_id varchar(40) not null references account,
    rig_id varchar(60) not null,
    rig_version int not null,
    tester_id varchar(60) not null,
    tester_version int not null,
    scheme_id varchar(60) not null,
    scheme_version int not null,
    way varchar(20) not null,
    -- empty for the whole sequence
    drill varchar(60) not null,
    -- how the rig is built, and which fault is drawn
    seed bigint not null,
    faults clob not null,
    started_at timestamp with time zone not null,
    ended_at timestamp with time zone,
    -- how many deeds there are: two hands cannot both do the next one
    deed_count int not null,
    readings clob not null,
    named clob not null,
    box varchar(300) not null,
    slips int not null,
    dangers int not null,
    wrong int not null
);
-- one row a deed: what is done is written once, however long a practice becomes
create table practice_deed (
    practice_id varchar(40) not null references practice on delete cascade,
    number int not null,
    deed varchar(4000) not null,
    primary key (practice_id, number)
);
create index practice_of on practice (account_id, started_at);
