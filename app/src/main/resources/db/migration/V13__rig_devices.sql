-- Where each device of a fixture is set to, whose identity it has, and what hangs beside it and is not patched.
alter table rig_fault add column starts varchar(500);
update rig_fault set starts = universe || '.' || slot where universe is not null;
alter table rig_fault drop column universe;
alter table rig_fault drop column slot;
alter table rig_fault add column twin int;
alter table rig_fault add column stray varchar(20);

create table rig_label (
    show_id    bigint not null references show_file (id) on delete cascade,
    fixture_id int not null,
    place      int not null,
    label      varchar(32) not null,
    primary key (show_id, fixture_id, place)
);
