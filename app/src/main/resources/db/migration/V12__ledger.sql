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
