insert into account_role values ('LEAD'), ('TECHNICIAN');

-- a person may have several roles
create table person_role (
    account_id varchar(40) not null references account,
    role varchar(20) not null references account_role,
    primary key (account_id, role)
);
insert into person_role select account_id, role from account;
-- who administered could do everything: nobody loses what they had
insert into person_role select account_id, 'LEAD' from account where role = 'ADMINISTRATOR';
insert into person_role select account_id, 'TECHNICIAN' from account where role = 'ADMINISTRATOR';
insert into person_role select account_id, 'TECHNICIAN' from account where role = 'ASSESSOR';
alter table account drop constraint account_has_role;
alter table account drop column role;

-- counted up when sessions of before must end: another password, other roles, blocked
alter table account add column generation int default 1 not null;
alter table account add column blocked boolean default false not null;
alter table account add column left_at timestamp with time zone;

-- lets somebody choose a password, once
create table invitation (
    account_id varchar(40) primary key references account,
    code_hash varchar(64) not null,
    made_by varchar(40) not null references account,
    expires_at timestamp with time zone not null
);

create table sign_in (
    sign_in_id bigint generated always as identity primary key,
    account_id varchar(40) not null references account,
    happened_at timestamp with time zone not null,
    address varchar(60) not null,
    device varchar(160) not null
);
create index sign_in_of on sign_in (account_id, sign_in_id);
