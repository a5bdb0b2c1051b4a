-- what a technician should look at: several people read a rig alike and otherwise than it is described
create table rig_note (
    note_id bigint generated always as identity primary key,
    rig_id varchar(60) not null,
    rig_version int not null,
    bay_id varchar(40) not null references bay,
    -- the boxes in order, by which the same note is not made twice
    slots varchar(2000) not null,
    text varchar(1000) not null,
    noted_at timestamp with time zone not null,
    noted_by varchar(40) not null references account,
    done varchar(500),
    done_at timestamp with time zone,
    done_by varchar(40) references account
);
create index rig_note_of on rig_note (rig_id, note_id);
