-- By which synchronisation address a universe changes together with others; 0 for none.
alter table universe_setup add column sync int not null default 0;
