-- What sets a feature apart from others of its kind: the speed of a band, the flow of a piece, the height of a width.
alter table feature add column level double precision;
-- Over how many waves or changes a value was taken; 0 where there were none.
alter table reading add column over smallint not null default 1
    constraint ck_reading_over_bounded check (over between 0 and 1000);

-- Two specimens of one artifact side by side, blind: which is better. Taken back by a newer row that says nothing.
create table duel (
    id uuid not null, study_id uuid not null, first_id uuid not null, second_id uuid not null, won varchar, sells varchar,
    person_id uuid not null, judged_at timestamptz not null, recorded_at timestamptz not null default clock_timestamp(),
    supersedes_id uuid,
    constraint pk_duel primary key (id),
    constraint fk_duel_study_id foreign key (study_id) references study (id),
    constraint fk_duel_first_id foreign key (first_id) references specimen (id),
    constraint fk_duel_second_id foreign key (second_id) references specimen (id),
    constraint fk_duel_person_id foreign key (person_id) references person (id),
    constraint fk_duel_supersedes_id foreign key (supersedes_id) references duel (id),
    constraint uq_duel_supersedes_id unique (supersedes_id),
    constraint ck_duel_of_two check (first_id <> second_id),
    constraint ck_duel_taken_back check ((won is null) = (supersedes_id is not null))
);
create index ix_duel_study_id on duel (study_id);

-- One of the three looks at a part: at the plate, after cleaning, before packing.
create table look (
    id uuid not null, specimen_id uuid not null, stage varchar not null, result varchar not null, items jsonb not null,
    words varchar not null, person_id uuid not null, looked_at timestamptz not null,
    recorded_at timestamptz not null default clock_timestamp(), supersedes_id uuid, reason varchar, after_reveal varchar,
    constraint pk_look primary key (id),
    constraint fk_look_specimen_id foreign key (specimen_id) references specimen (id),
    constraint fk_look_person_id foreign key (person_id) references person (id),
    constraint fk_look_supersedes_id foreign key (supersedes_id) references look (id),
    constraint uq_look_supersedes_id unique (supersedes_id),
    constraint ck_look_correction_has_reason check ((supersedes_id is null) = (reason is null)),
    constraint ck_look_says_why check (result = 'fine' or length(words) > 0)
);
create index ix_look_specimen_id on look (specimen_id);
create unique index uq_look_first on look (specimen_id, stage, person_id) where supersedes_id is null;

-- Faults that a study looks for beside the built-in ones, each with its written anchors.
create table own_defect (
    id uuid not null, study_id uuid not null, code varchar not null, name varchar not null, weight double precision not null,
    structural boolean not null, look varchar not null, anchors jsonb not null, person_id uuid not null,
    added_at timestamptz not null default clock_timestamp(),
    constraint pk_own_defect primary key (id),
    constraint fk_own_defect_study_id foreign key (study_id) references study (id),
    constraint fk_own_defect_person_id foreign key (person_id) references person (id),
    constraint uq_own_defect_study_id_code unique (study_id, code),
    constraint ck_own_defect_weight_above_0 check (weight > 0 and weight <= 10),
    constraint ck_own_defect_six_anchors check (jsonb_typeof(anchors) = 'array' and jsonb_array_length(anchors) = 6)
);

-- A gauge study: who reads which parts how often with an instrument, each in an order of their own.
create table gauge_study (
    id uuid not null, version integer not null, study_id uuid not null, instrument_id uuid not null, parts jsonb not null,
    people jsonb not null, repeats integer not null, seed integer not null, begun_at timestamptz not null,
    ended_at timestamptz, person_id uuid not null,
    constraint pk_gauge_study primary key (id),
    constraint fk_gauge_study_study_id foreign key (study_id) references study (id),
    constraint fk_gauge_study_instrument_id foreign key (instrument_id) references instrument (id),
    constraint fk_gauge_study_person_id foreign key (person_id) references person (id),
    constraint ck_gauge_study_repeats_range check (repeats between 2 and 5)
);
create index ix_gauge_study_study_id on gauge_study (study_id);
create unique index uq_gauge_study_open on gauge_study (study_id) where ended_at is null;
create table gauge_reading (
    id uuid not null, gauge_id uuid not null, part integer not null, repeat integer not null, value double precision,
    person_id uuid not null, taken_at timestamptz not null, recorded_at timestamptz not null default clock_timestamp(),
    supersedes_id uuid,
    constraint pk_gauge_reading primary key (id),
    constraint fk_gauge_reading_gauge_id foreign key (gauge_id) references gauge_study (id),
    constraint fk_gauge_reading_person_id foreign key (person_id) references person (id),
    constraint fk_gauge_reading_supersedes_id foreign key (supersedes_id) references gauge_reading (id),
    constraint uq_gauge_reading_supersedes_id unique (supersedes_id),
    constraint ck_gauge_reading_value_bounded check (value > -1e9 and value < 1e9),
    constraint ck_gauge_reading_taken_back check ((value is null) = (supersedes_id is not null))
);
create index ix_gauge_reading_gauge_id on gauge_reading (gauge_id);
-- What an ended gauge study says of one person with its instrument: u and its worth from that day.
create table hand (
    id uuid not null, gauge_id uuid not null, instrument_id uuid not null, person_id uuid not null, kinds jsonb not null,
    repeatability double precision not null, dof double precision not null, reproducibility double precision not null,
    from_at timestamptz not null, recorded_at timestamptz not null default clock_timestamp(),
    constraint pk_hand primary key (id),
    constraint fk_hand_gauge_id foreign key (gauge_id) references gauge_study (id),
    constraint fk_hand_instrument_id foreign key (instrument_id) references instrument (id),
    constraint fk_hand_person_id foreign key (person_id) references person (id),
    constraint uq_hand_gauge_id_person_id unique (gauge_id, person_id),
    constraint ck_hand_not_negative check (repeatability >= 0 and reproducibility >= 0 and dof > 0)
);
alter table reading add column hand_id uuid constraint fk_reading_hand_id references hand (id);

-- A public page on which an audience compares photos of pieces under their blind codes, apart from the raters.
create table ballot (
    id uuid not null, version integer not null, study_id uuid not null, key varchar not null, question varchar not null,
    opened_at timestamptz not null, closes_at timestamptz not null, closed_at timestamptz, person_id uuid not null,
    constraint pk_ballot primary key (id),
    constraint fk_ballot_study_id foreign key (study_id) references study (id),
    constraint fk_ballot_person_id foreign key (person_id) references person (id),
    constraint uq_ballot_key unique (key),
    constraint ck_ballot_closes_later check (closes_at > opened_at),
    constraint ck_ballot_question_length check (length(question) between 5 and 200)
);
create index ix_ballot_study_id on ballot (study_id);
create table ballot_piece (
    id uuid not null, ballot_id uuid not null, specimen_id uuid not null, sha256 varchar not null,
    constraint pk_ballot_piece primary key (id),
    constraint fk_ballot_piece_ballot_id foreign key (ballot_id) references ballot (id),
    constraint fk_ballot_piece_specimen_id foreign key (specimen_id) references specimen (id),
    constraint fk_ballot_piece_sha256 foreign key (sha256) references upload (sha256),
    constraint uq_ballot_piece_ballot_id_specimen_id unique (ballot_id, specimen_id)
);
create index ix_ballot_piece_ballot_id on ballot_piece (ballot_id);
create table vote (
    id uuid not null, ballot_id uuid not null, first_id uuid not null, second_id uuid not null, won varchar not null,
    voter varchar not null, address varchar not null, cast_at timestamptz not null default clock_timestamp(),
    constraint pk_vote primary key (id),
    constraint fk_vote_ballot_id foreign key (ballot_id) references ballot (id),
    constraint fk_vote_first_id foreign key (first_id) references ballot_piece (id),
    constraint fk_vote_second_id foreign key (second_id) references ballot_piece (id),
    constraint uq_vote_ballot_id_voter_first_id_second_id unique (ballot_id, voter, first_id, second_id),
    constraint ck_vote_one_way_round check (first_id < second_id)
);
create index ix_vote_address on vote (ballot_id, address, cast_at);

-- Where on a photo a fault is: places from 0 to 1 across and down, with what they show.
alter table photo add column pins jsonb not null default '[]'::jsonb;

create trigger correct_in_place before insert on look
    for each row execute function correct_in_place('specimen_id', 'stage', 'person_id');
create trigger correct_in_place before insert on duel
    for each row execute function correct_in_place('study_id', 'first_id', 'second_id', 'person_id');
create trigger keep_blind before insert on look for each row execute function keep_blind();
do $$
declare t text;
begin
    foreach t in array array['duel', 'look', 'own_defect', 'gauge_reading', 'hand', 'ballot_piece', 'vote'] loop
        execute format('create trigger append_only before update or delete on %I for each row execute function refuse_change()', t);
        execute format('create trigger append_only_truncate before truncate on %I for each statement execute function refuse_change()', t);
    end loop;
    foreach t in array array['duel', 'look', 'own_defect', 'gauge_study', 'gauge_reading', 'hand', 'ballot', 'ballot_piece', 'vote'] loop
        execute format('create trigger audit after insert or update or delete on %I for each row execute function write_audit()', t);
    end loop;
end $$;

-- What is locked stays as it is; once the machines are known it may be given again beside it, marked.
CREATE OR REPLACE FUNCTION keep_blind() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
    open_since timestamptz;
BEGIN
    PERFORM 1 FROM specimen WHERE id = NEW.specimen_id FOR SHARE;
    SELECT study.revealed_at INTO open_since FROM study JOIN specimen ON specimen.study_id = study.id
    WHERE specimen.id = NEW.specimen_id FOR SHARE OF study;
    IF (open_since IS NULL) <> (NEW.after_reveal IS NULL) THEN
        RAISE EXCEPTION 'after the reveal an entry is marked so, with its reason; before it none is'
            USING ERRCODE = 'integrity_constraint_violation';
    END IF;
    IF TG_TABLE_NAME = 'defect_score' AND NEW.after_reveal IS NULL THEN
        IF EXISTS (SELECT FROM inspection_lock l
                   WHERE l.specimen_id = NEW.specimen_id AND l.person_id = (to_jsonb(NEW) ->> 'person_id')::uuid) THEN
            RAISE EXCEPTION 'the scores of this specimen are locked' USING ERRCODE = 'integrity_constraint_violation';
        END IF;
    END IF;
    RETURN NEW;
END $$;
