create table account (
    account_id varchar(40) primary key,
    name varchar(120) not null,
    role varchar(20) not null check (role in ('ADMINISTRATOR', 'ASSESSOR', 'CANDIDATE')),
    password_hash varchar(120) not null,
    failed_sign_ins int not null default 0,
    locked_until timestamp with time zone
);

-- rigs and testers as their files; a change is another version, none is ever overwritten
create table document (
    kind varchar(20) not null check (kind in ('RIG', 'TESTER')),
    document_id varchar(60) not null,
    version int not null,
    json clob not null,
    saved_at timestamp with time zone not null,
    saved_by varchar(40) not null references account,
    primary key (kind, document_id, version)
);

create table bay (
    bay_id varchar(40) primary key,
    number int not null unique,
    rig_id varchar(60) not null,
    rig_version int not null
);

-- everything a mark depends on, pinned when the assessment is prepared
create table assessment (
    assessment_id varchar(40) primary key,
    bay_id varchar(40) not null references bay,
    candidate_id varchar(40) not null references account,
    assessor_id varchar(40) not null references account,
    rig_id varchar(60) not null,
    rig_version int not null,
    tester_id varchar(60) not null,
    tester_version int not null,
    scheme_id varchar(60) not null,
    scheme_version int not null,
    engine_version int not null,
    prepared_at timestamp with time zone not null
);
create index assessment_of_bay on assessment (bay_id, prepared_at);
create index assessment_of_candidate on assessment (candidate_id, prepared_at);

-- append only: nothing in the application updates or deletes here
create table assessment_event (
    assessment_id varchar(40) not null references assessment,
    seq int not null,
    event_id varchar(60) not null unique,
    kind varchar(40) not null,
    subject varchar(140) not null,
    payload clob not null,
    happened_at timestamp with time zone not null,
    account_id varchar(40) not null references account,
    primary key (assessment_id, seq)
);
