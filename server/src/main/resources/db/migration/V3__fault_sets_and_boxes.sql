-- the library of fault sets; a change is another version, none is ever overwritten
create table fault_set (
    set_id varchar(60) not null,
    version int not null,
    rig_id varchar(60) not null,
    name varchar(120) not null,
    json clob not null,
    saved_at timestamp with time zone not null,
    saved_by varchar(40) not null references account,
    primary key (set_id, version)
);

-- where the fault box of a bay is found, host:port
alter table bay add column fault_box varchar(120);
