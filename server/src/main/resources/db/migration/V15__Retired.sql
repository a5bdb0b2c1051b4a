-- not in use any more; records that were made with them stay
alter table bay add column retired boolean default false not null;
create table retired_document (
    kind varchar(20) not null,
    document_id varchar(60) not null,
    primary key (kind, document_id)
);
