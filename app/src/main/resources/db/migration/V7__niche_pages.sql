-- Pages of niches of groups, and of palettes of a kind.
create table if not exists niche_page (
    show_id      bigint not null,
    id           int not null,
    subject      varchar(20) not null,
    name         varchar(200) not null,
    first_number int not null,
    column_count int not null,
    row_count    int not null,
    primary key (show_id, id)
);
