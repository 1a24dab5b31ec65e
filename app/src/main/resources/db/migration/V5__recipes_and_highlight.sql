-- Groups that follow what they were made from, marks and notes on niches, and the look of highlight.
alter table show_group add column if not exists tint varchar(20) default 'NONE' not null;
alter table show_group add column if not exists note varchar(1000) default '' not null;
-- how its units are asked for, as JSON; empty for a fixed order, whose members are in group_member
alter table show_group add column if not exists recipe varchar(1048576) default '' not null;

create table if not exists highlight_look (
    show_id bigint primary key references show_file (id) on delete cascade,
    look    varchar(1048576) not null
);
