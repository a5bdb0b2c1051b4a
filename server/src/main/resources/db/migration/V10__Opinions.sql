-- who is asked to mark a record alone and has not signed yet: kept up with the events, so that no Floor reads history for it
create table opinion_open (
    assessment_id varchar(40) not null references assessment,
    account_id varchar(40) not null references account,
    primary key (assessment_id, account_id)
);
create index opinion_open_of on opinion_open (account_id);
