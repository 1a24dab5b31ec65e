-- What people said about the state of the work: set aside, signed, held to which paper.
create table if not exists ledger (
    show_id  bigint not null,
    kind     varchar(20) not null,
    part_key varchar(500) not null,
    part     clob not null,
    primary key (show_id, kind, part_key)
);

-- Findings that were open and are not any more; only those of today are told.
create table if not exists mended (
    show_id bigint not null,
    finding varchar(500) not null,
    words   varchar(2000) not null,
    deed    varchar(2000) not null,
    at      timestamp with time zone not null,
    primary key (show_id, finding)
);

-- Versions that others may look at, by a token that is in the link; without it nobody finds them.
create table if not exists showing (
    token      varchar(60) not null primary key,
    show_id    bigint not null,
    version_id bigint not null,
    made_at    timestamp with time zone not null
);
