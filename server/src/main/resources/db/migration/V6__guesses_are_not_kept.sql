-- wrong passwords are counted in memory, for each name and address: nobody is locked out by somebody else
alter table account drop column failed_sign_ins;
alter table account drop column locked_until;
