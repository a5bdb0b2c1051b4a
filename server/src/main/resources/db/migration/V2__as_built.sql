-- healthy readings of the real rig, for one version of it; append only, the newest of a box counts, an empty one takes it back
create table as_built_reading (
    reading_id bigint generated always as identity primary key,
    rig_id varchar(60) not null,
    rig_version int not null,
    slot varchar(200) not null,
    text varchar(60) not null,
    taken_at timestamp with time zone not null,
    taken_by varchar(40) not null references account
);
create index as_built_of_rig on as_built_reading (rig_id, rig_version, reading_id);
