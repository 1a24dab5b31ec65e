-- Marks that positions stand at; marks, notes and times of palettes. Working values remember the colour asked for within
-- their text.
create table if not exists mark (
    show_id bigint not null,
    id      int not null,
    name    varchar(200) not null,
    x       double precision not null,
    y       double precision not null,
    z       double precision not null,
    primary key (show_id, id)
);
alter table palette add column if not exists aim_mark int;
alter table palette add column if not exists tint varchar(20) default 'NONE' not null;
alter table palette add column if not exists note varchar(1000) default '' not null;
-- seconds to come in; empty: as whoever uses it says
alter table palette add column if not exists seconds double precision;
