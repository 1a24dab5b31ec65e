-- What is kept to be played: looks, cue lists, cues, submasters.
create table if not exists look (
    show_id bigint not null,
    id      int not null,
    number  int,
    name    varchar(200) not null,
    primary key (show_id, id)
);

-- Units that have the same values in a look share one row.
create table if not exists look_value (
    show_id bigint not null,
    look_id int not null,
    digest  varchar(32) not null,
    held    clob not null,
    units   clob not null,
    primary key (show_id, look_id, digest)
);

create table if not exists cue_list (
    show_id       bigint not null,
    id            int not null,
    number        int not null,
    name          varchar(200) not null,
    note          varchar(1000) not null,
    carrying_on   boolean not null,
    chase         boolean not null,
    rate          double precision not null,
    crossfade     double precision not null,
    direction     varchar(20) not null,
    seed          int not null,
    release_ms    int not null,
    primary key (show_id, id)
);

create table if not exists cue (
    show_id     bigint not null,
    id          int not null,
    list_id     int not null,
    thousandths int not null,
    name        varchar(200) not null,
    note        varchar(1000) not null,
    look_id     int not null,
    in_ms       int,
    out_ms      int,
    rest_ms     int,
    wait_ms     int not null,
    next_by     varchar(20) not null,
    next_ms     int not null,
    primary key (show_id, id)
);

create table if not exists submaster (
    show_id bigint not null,
    id      int not null,
    number  int not null,
    name    varchar(200) not null,
    tint    varchar(20) not null,
    note    varchar(1000) not null,
    look_id int not null,
    primary key (show_id, id)
);

-- The look whose values are in hand to be changed.
create table if not exists opened_look (
    show_id bigint not null primary key,
    look_id int not null
);
