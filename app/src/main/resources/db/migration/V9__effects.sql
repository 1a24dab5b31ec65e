-- What moves by itself; what it does lies in its body, as the show file has it.
create table if not exists effect (
    show_id bigint not null,
    id      int not null,
    number  int,
    name    varchar(200) not null,
    body    clob not null,
    primary key (show_id, id)
);
