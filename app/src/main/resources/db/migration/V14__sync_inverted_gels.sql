-- By which synchronisation address a universe changes together with others; 0 for none.
alter table universe_setup add column sync int not null default 0;

-- Which ways a head is set to turn the other way round.
alter table fixture add column pan_inverted boolean not null default false;
alter table fixture add column tilt_inverted boolean not null default false;

-- The colour filter in front of a fixture: CIE x and y, and how much comes through; null for none.
alter table fixture add column gel_x double precision;
alter table fixture add column gel_y double precision;
alter table fixture add column gel_percent double precision;
