-- where each assessment stands: kept up with its events in the same transaction, so that nobody has to read history to know
create table assessment_standing (
    assessment_id varchar(40) primary key references assessment,
    seq int not null,
    -- the bay it has; a bay has one assessment at a time
    bay_id varchar(40) unique references bay,
    -- who has it live; an assessor has one live bay at a time
    live_with varchar(40) unique references account,
    marked boolean not null,
    cleared boolean not null,
    verdict varchar(20),
    overridden boolean not null,
    decided_at timestamp with time zone,
    from_library varchar(80)
);
create index standing_by_decision on assessment_standing (decided_at);
create index standing_by_set on assessment_standing (from_library);
create index event_by_subject on assessment_event (assessment_id, subject);

-- what became of each fault of a marked assessment: proposals follow it
create table fault_result (
    assessment_id varchar(40) not null references assessment,
    position int not null,
    kind varchar(60) not null,
    found boolean not null,
    primary key (assessment_id, position)
);
create index fault_result_by_kind on fault_result (kind, found);
