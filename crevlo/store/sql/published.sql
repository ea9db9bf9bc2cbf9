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

-- The log goes on: what models cost over time, units that go back, studies that test again what was published.
create table price_point (
    id uuid not null, model_id uuid not null, price double precision not null, currency varchar not null, priced_on date not null,
    source varchar not null, person_id uuid not null, recorded_at timestamptz not null default clock_timestamp(),
    constraint pk_price_point primary key (id),
    constraint fk_price_point_model_id foreign key (model_id) references model (id),
    constraint fk_price_point_person_id foreign key (person_id) references person (id),
    constraint ck_price_point_price_not_negative check (price >= 0),
    constraint ck_price_point_currency_code check (currency ~ '^[A-Z]{3}$'),
    constraint ck_price_point_has_source check (length(source) between 1 and 200)
);
create index ix_price_point_model_id on price_point (model_id);
create trigger append_only before update or delete on price_point for each row execute function refuse_change();
create trigger append_only_truncate before truncate on price_point for each statement execute function refuse_change();
create trigger audit after insert or update or delete on price_point for each row execute function write_audit();
alter table unit add return_by date;
alter table model add added_at timestamptz not null default clock_timestamp();
alter table study add upkeep_from_log boolean not null default false, add retest_of uuid, add constraint fk_study_retest_of foreign key (retest_of) references report_revision (id);
