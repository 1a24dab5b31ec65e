-- Marks, notes and times of palettes. Working values remember the colour asked for within their text.
alter table palette add column if not exists tint varchar(20) default 'NONE' not null;
alter table palette add column if not exists note varchar(1000) default '' not null;
-- seconds to come in; empty: as whoever uses it says
alter table palette add column if not exists seconds double precision;
