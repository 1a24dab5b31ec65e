-- Palettes that the patch suggested are meant for those that have what they hold.
alter table palette add column starter boolean default false not null;
