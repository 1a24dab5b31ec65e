-- Palettes that the patch suggested are meant for those that have what they hold.
alter table palette add column if not exists starter boolean default false not null;
