-- A revision is of one buyer or of all; what it says is kept as data, and what it rests on as the tables of a package.
alter table report_revision alter profile_id drop not null, alter html set default '',
    add document jsonb, add frozen jsonb, add erratum boolean not null default false;

-- Where readers find a revision without an account, until it is closed.
create table reader_page (
    id uuid not null, revision_id uuid not null, key varchar not null, person_id uuid not null,
    opened_at timestamptz not null default clock_timestamp(), closed_at timestamptz, version integer not null,
    constraint pk_reader_page primary key (id),
    constraint fk_reader_page_revision_id foreign key (revision_id) references report_revision (id),
    constraint fk_reader_page_person_id foreign key (person_id) references person (id),
    constraint uq_reader_page_key unique (key),
    constraint ck_reader_page_closed_after check (closed_at >= opened_at)
);
create unique index uq_reader_page_open on reader_page (revision_id) where closed_at is null;
create trigger audit after insert or update or delete on reader_page for each row execute function write_audit();

-- Packages of other benches, as they came and as they were found.
create table other_package (
    id uuid not null, sha256 varchar not null, title varchar not null, bench varchar not null default '', found jsonb not null,
    person_id uuid not null, imported_at timestamptz not null default clock_timestamp(),
    constraint pk_other_package primary key (id),
    constraint fk_other_package_sha256 foreign key (sha256) references upload (sha256),
    constraint fk_other_package_person_id foreign key (person_id) references person (id),
    constraint uq_other_package_sha256 unique (sha256)
);
create trigger audit after insert or update or delete on other_package for each row execute function write_audit();

-- Why a unit was replaced stands alone: by which is known, whatever it is called later.
update study_unit set replaced_because = substr(replaced_because, strpos(replaced_because, ': ') + 2)
where replaced_by is not null and strpos(replaced_because, ': ') > 0 and length(replaced_because) > strpos(replaced_because, ': ') + 1;
