-- By which synchronisation address a universe changes together with others; 0 for none.
alter table universe_setup add column sync int not null default 0;

-- Which ways a head is set to turn the other way round.
alter table fixture add column pan_inverted boolean not null default false;
alter table fixture add column tilt_inverted boolean not null default false;
