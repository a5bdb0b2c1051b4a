-- where the bench tester of a bay is found, host:port
alter table bay add column bench_tester varchar(120);
