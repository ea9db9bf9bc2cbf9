-- Columns and tables.
ALTER TABLE background_work ADD begun integer NOT NULL DEFAULT 0;
ALTER TABLE background_work ALTER begun DROP DEFAULT;

ALTER TABLE device ADD refused integer NOT NULL DEFAULT 0, ADD refused_why varchar NOT NULL DEFAULT '', ADD refused_at timestamptz;
ALTER TABLE device ALTER refused DROP DEFAULT, ALTER refused_why DROP DEFAULT;
-- What a device was refused is counted often, and is no change of a record.
DROP TRIGGER audit ON device;
CREATE TRIGGER audit AFTER INSERT OR DELETE ON device FOR EACH ROW EXECUTE FUNCTION write_audit();
CREATE TRIGGER audit_changes AFTER UPDATE ON device FOR EACH ROW WHEN (OLD.refused = NEW.refused)
    EXECUTE FUNCTION write_audit();

CREATE TABLE sign_in_session (
    id uuid NOT NULL, person_id uuid NOT NULL, agent varchar NOT NULL, address varchar NOT NULL, by_link boolean NOT NULL,
    began_at timestamptz NOT NULL DEFAULT clock_timestamp(), seen_at timestamptz NOT NULL DEFAULT clock_timestamp(),
    ended_at timestamptz,
    CONSTRAINT pk_sign_in_session PRIMARY KEY (id),
    CONSTRAINT fk_sign_in_session_person_id FOREIGN KEY (person_id) REFERENCES person (id)
);
CREATE INDEX ix_sign_in_session_person_id ON sign_in_session (person_id);
ALTER TABLE person DROP session_epoch;

-- Codes and the order of the queue come from a secret that is opened at the reveal, not from the seed that the plan shows.
ALTER TABLE study ADD blind_secret varchar NOT NULL DEFAULT replace(gen_random_uuid()::text || gen_random_uuid()::text, '-', '');
ALTER TABLE study ALTER blind_secret DROP DEFAULT;

ALTER TABLE study_unit ADD not_recommended varchar NOT NULL DEFAULT '';

ALTER TABLE reading ADD after_reveal varchar;
ALTER TABLE defect_score ADD after_reveal varchar;

CREATE TABLE rejection (
    id uuid NOT NULL, specimen_id uuid NOT NULL, cause varchar(24) NOT NULL, words varchar NOT NULL, person_id uuid NOT NULL,
    recorded_at timestamptz NOT NULL DEFAULT clock_timestamp(), supersedes_id uuid, reason varchar,
    CONSTRAINT pk_rejection PRIMARY KEY (id),
    CONSTRAINT fk_rejection_specimen_id FOREIGN KEY (specimen_id) REFERENCES specimen (id),
    CONSTRAINT fk_rejection_person_id FOREIGN KEY (person_id) REFERENCES person (id),
    CONSTRAINT fk_rejection_supersedes_id FOREIGN KEY (supersedes_id) REFERENCES rejection (id),
    CONSTRAINT uq_rejection_supersedes_id UNIQUE (supersedes_id),
    CONSTRAINT ck_rejection_cause CHECK (cause IN ('machine', 'profile', 'material', 'operator', 'power', 'unknown')),
    CONSTRAINT ck_rejection_correction_has_reason CHECK ((supersedes_id IS NULL) = (reason IS NULL)),
    CONSTRAINT ck_rejection_says_why CHECK (length(words) > 0)
);
CREATE UNIQUE INDEX uq_rejection_first ON rejection (specimen_id) WHERE supersedes_id IS NULL;

-- What a unit cost belongs to the unit and its date: a later price leaves the figures of an earlier study alone.
CREATE TABLE unit_price (
    id uuid NOT NULL, unit_id uuid NOT NULL, study_id uuid, price_paid double precision, upgrades double precision NOT NULL,
    residual double precision NOT NULL, day_price double precision, day_price_on date, stated_on date NOT NULL,
    person_id uuid, recorded_at timestamptz NOT NULL DEFAULT clock_timestamp(),
    CONSTRAINT pk_unit_price PRIMARY KEY (id),
    CONSTRAINT fk_unit_price_unit_id FOREIGN KEY (unit_id) REFERENCES unit (id),
    CONSTRAINT fk_unit_price_study_id FOREIGN KEY (study_id) REFERENCES study (id),
    CONSTRAINT fk_unit_price_person_id FOREIGN KEY (person_id) REFERENCES person (id),
    CONSTRAINT ck_unit_price_money_not_negative
        CHECK (price_paid >= 0 AND upgrades >= 0 AND residual >= 0 AND day_price >= 0)
);
CREATE INDEX ix_unit_price_unit_id ON unit_price (unit_id);
INSERT INTO unit_price (id, unit_id, price_paid, upgrades, residual, day_price, day_price_on, stated_on)
SELECT gen_random_uuid(), id, price_paid, upgrades, residual, day_price, day_price_on,
       coalesce(day_price_on, received_on, current_date)
FROM unit WHERE price_paid IS NOT NULL OR upgrades > 0 OR residual > 0 OR day_price IS NOT NULL;
ALTER TABLE unit DROP CONSTRAINT ck_unit_price_not_negative, DROP CONSTRAINT ck_unit_money_not_negative,
    DROP price_paid, DROP upgrades, DROP residual, DROP day_price, DROP day_price_on;

ALTER TABLE feature_worth ADD is_base boolean NOT NULL DEFAULT false;
ALTER TABLE feature_worth ALTER is_base DROP DEFAULT;
CREATE UNIQUE INDEX uq_feature_worth_base ON feature_worth (is_base) WHERE is_base;

-- A run that a person stopped is no try, unless they say so.
ALTER TABLE run ADD uses_attempt boolean NOT NULL DEFAULT true, ADD trace_columns jsonb;
ALTER TABLE run ALTER uses_attempt DROP DEFAULT;

ALTER TABLE specimen ADD bagged_at timestamptz NOT NULL DEFAULT clock_timestamp();

ALTER TABLE sliced_file ADD withdrawn_at timestamptz, ADD withdrawn_by uuid,
    ADD CONSTRAINT fk_sliced_file_withdrawn_by FOREIGN KEY (withdrawn_by) REFERENCES person (id),
    ADD CONSTRAINT ck_sliced_file_withdrawn_by_someone CHECK ((withdrawn_at IS NULL) = (withdrawn_by IS NULL));

-- Claims of any kind, of noise by state; measured by hand where nothing else measures them.
ALTER TABLE claim ADD name varchar NOT NULL DEFAULT '', ADD unit varchar NOT NULL DEFAULT '',
    ADD less_is_better boolean NOT NULL DEFAULT false, ADD state varchar(24);
UPDATE claim SET state = 'printing' WHERE kind = 'noise';
ALTER TABLE claim ALTER less_is_better DROP DEFAULT,
    DROP CONSTRAINT uq_claim_model_id_kind,
    DROP CONSTRAINT ck_claim_claimkind,
    ADD CONSTRAINT uq_claim_model_id_kind_name_state UNIQUE NULLS NOT DISTINCT (model_id, kind, name, state),
    ADD CONSTRAINT ck_claim_claimkind CHECK (kind IN ('top speed', 'flow', 'noise', 'printable width', 'printable depth',
        'printable height', 'nozzle temperature', 'bed temperature', 'warm-up time', 'weight', 'warranty', 'other')),
    ADD CONSTRAINT ck_claim_noisestate CHECK (state IN ('standby', 'heating', 'printing', 'printing at its fastest')),
    ADD CONSTRAINT ck_claim_noise_has_state CHECK ((kind = 'noise') = (state IS NOT NULL)),
    ADD CONSTRAINT ck_claim_other_has_name CHECK ((kind = 'other') = (length(name) > 0));
ALTER TABLE unit_measure ADD claim_id uuid,
    ADD CONSTRAINT fk_unit_measure_claim_id FOREIGN KEY (claim_id) REFERENCES claim (id),
    DROP CONSTRAINT ck_unit_measure_measurekind,
    ADD CONSTRAINT ck_unit_measure_measurekind CHECK (kind IN ('plate width', 'plate depth', 'left edge not reached',
        'right edge not reached', 'front edge not reached', 'back edge not reached', 'height reached',
        'width at full height', 'weight', 'warm-up, nozzle alone', 'warm-up, bed alone', 'warm-up, both',
        'nozzle reached', 'bed reached', 'speed reached', 'flow reached', 'colour change', 'purge at a colour change',
        'set-up, first time', 'set-up, again', 'claim')),
    ADD CONSTRAINT ck_unit_measure_claim_named CHECK ((kind = 'claim') = (claim_id IS NOT NULL));

ALTER TABLE log_entry DROP CONSTRAINT ck_log_entry_logkind,
    ADD CONSTRAINT ck_log_entry_logkind CHECK (kind IN ('hours', 'fault', 'wear', 'maintenance', 'part replaced', 'fire',
        'smoke', 'tingle', 'runaway', 'repair', 're-opened', 'false alarm'));

-- Passes of checks that nobody made: an earlier version copied those of the mains side and of the stop.
ALTER TABLE safety_check DISABLE TRIGGER append_only;
DELETE FROM safety_check
WHERE (kind IN ('cables', 'earth') AND note LIKE '%Recorded with the check “mains”.')
   OR (kind = 'screws' AND note LIKE '%Recorded with the check “stop”.');
ALTER TABLE safety_check ENABLE TRIGGER append_only;

CREATE UNIQUE INDEX uq_protocol_draft ON protocol (study_id) WHERE frozen_at IS NULL;

-- The audit trail and the partitions are written for a role that may not write there itself.
CREATE OR REPLACE FUNCTION write_audit() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
DECLARE
    hidden text[] := ARRAY['password_hash', 'token_sha256', 'blind_secret', 'html', 'content', 'facts', 'settings', 'motion', 'data'];
    old_row jsonb := CASE WHEN TG_OP <> 'INSERT' THEN to_jsonb(OLD) - hidden END;
    new_row jsonb := CASE WHEN TG_OP <> 'DELETE' THEN to_jsonb(NEW) - hidden END;
BEGIN
    INSERT INTO audit_entry (table_name, row_id, action, before, after, person_id)
    VALUES (TG_TABLE_NAME, COALESCE(new_row->>'id', old_row->>'id', new_row->>'sha256', new_row->>'feature_id', old_row->>'feature_id'),
            lower(TG_OP), old_row, new_row, NULLIF(current_setting('crevlo.person', true), '')::uuid);
    RETURN NULL;
END $$;
ALTER FUNCTION power_month(timestamptz) SECURITY DEFINER SET search_path = public;

-- Append-only, and never emptied.
DO $$
DECLARE t text;
BEGIN
    FOREACH t IN ARRAY ARRAY['rejection', 'unit_price']
    LOOP
        EXECUTE format('CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON %I
                        FOR EACH ROW EXECUTE FUNCTION refuse_change()', t);
    END LOOP;
    FOREACH t IN ARRAY ARRAY['rejection', 'unit_price', 'protocol', 'arm', 'print_line', 'artifact', 'feature', 'study',
        'job', 'run', 'specimen', 'sliced_file', 'upload', 'person', 'unit', 'model', 'configuration', 'photo', 'hypothesis']
    LOOP
        EXECUTE format('CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON %I
                        FOR EACH STATEMENT EXECUTE FUNCTION refuse_change()', t);
    END LOOP;
    FOREACH t IN ARRAY ARRAY['rejection', 'unit_price', 'model_feature', 'schedule', 'upload']
    LOOP
        EXECUTE format('CREATE TRIGGER audit AFTER INSERT OR UPDATE OR DELETE ON %I
                        FOR EACH ROW EXECUTE FUNCTION write_audit()', t);
    END LOOP;
END $$;
-- How far work has come is no change of a record.
CREATE TRIGGER audit AFTER INSERT OR DELETE ON background_work FOR EACH ROW EXECUTE FUNCTION write_audit();

-- What hangs on a frozen protocol stays, and nothing is moved into one.
CREATE OR REPLACE FUNCTION keep_frozen_arm() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    IF EXISTS (SELECT FROM protocol WHERE frozen_at IS NOT NULL AND id IN (OLD.protocol_id, NEW.protocol_id)) THEN
        RAISE EXCEPTION 'the protocol is frozen: a later change is a deviation'
            USING ERRCODE = 'integrity_constraint_violation';
    END IF;
    RETURN COALESCE(NEW, OLD);
END $$;
CREATE OR REPLACE FUNCTION keep_frozen_line() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    IF EXISTS (SELECT FROM protocol JOIN arm ON arm.protocol_id = protocol.id
               WHERE protocol.frozen_at IS NOT NULL AND arm.id IN (OLD.arm_id, NEW.arm_id)) THEN
        RAISE EXCEPTION 'the protocol is frozen: a later change is a deviation'
            USING ERRCODE = 'integrity_constraint_violation';
    END IF;
    RETURN COALESCE(NEW, OLD);
END $$;

-- Columns that are settled once: the trigger's arguments name them.
CREATE FUNCTION keep_columns() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
    settled text;
BEGIN
    FOREACH settled IN ARRAY TG_ARGV LOOP
        IF to_jsonb(OLD) -> settled IS DISTINCT FROM to_jsonb(NEW) -> settled THEN
            RAISE EXCEPTION '% of % is settled and stays', settled, TG_TABLE_NAME
                USING ERRCODE = 'integrity_constraint_violation';
        END IF;
    END LOOP;
    RETURN NEW;
END $$;
CREATE TRIGGER keep_columns BEFORE UPDATE ON specimen FOR EACH ROW
    EXECUTE FUNCTION keep_columns('id', 'study_id', 'run_id', 'blind_code', 'position', 'bagged_at');
CREATE TRIGGER append_only_delete BEFORE DELETE ON specimen FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER keep_columns BEFORE UPDATE ON study FOR EACH ROW EXECUTE FUNCTION keep_columns('seed', 'blind_secret', 'created_at');
CREATE TRIGGER keep_revealed BEFORE UPDATE ON study FOR EACH ROW WHEN (OLD.revealed_at IS NOT NULL)
    EXECUTE FUNCTION keep_columns('revealed_at');
CREATE TRIGGER keep_columns BEFORE UPDATE ON run FOR EACH ROW
    EXECUTE FUNCTION keep_columns('job_id', 'attempt', 'configuration_id', 'sliced_file_id', 'started_at', 'unattended', 'changed');
CREATE TRIGGER keep_ended BEFORE UPDATE ON run FOR EACH ROW WHEN (OLD.outcome IS NOT NULL)
    EXECUTE FUNCTION keep_columns('ended_at', 'outcome', 'cause', 'failed_at_percent', 'failed_at_layer', 'note', 'uses_attempt');
CREATE TRIGGER append_only_delete BEFORE DELETE ON run FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER keep_columns BEFORE UPDATE ON sliced_file FOR EACH ROW
    EXECUTE FUNCTION keep_columns('id', 'job_id', 'sha256', 'name', 'facts', 'settings', 'motion', 'deviations', 'received_at');
CREATE TRIGGER keep_withdrawn BEFORE UPDATE ON sliced_file FOR EACH ROW WHEN (OLD.withdrawn_at IS NOT NULL)
    EXECUTE FUNCTION keep_columns('withdrawn_at', 'withdrawn_by');
CREATE TRIGGER append_only_delete BEFORE DELETE ON sliced_file FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON job FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON upload FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON configuration FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER correct_in_place BEFORE INSERT ON rejection
    FOR EACH ROW EXECUTE FUNCTION correct_in_place('specimen_id');

-- A lock is a lock: scores that are under way are waited for, later ones refused. A lock takes the specimen for itself.
CREATE FUNCTION wait_for_scores() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    PERFORM 1 FROM specimen WHERE id = NEW.specimen_id FOR UPDATE;
    RETURN NEW;
END $$;
CREATE TRIGGER wait_for_scores BEFORE INSERT ON inspection_lock FOR EACH ROW EXECUTE FUNCTION wait_for_scores();

-- After the reveal an entry says so, with its reason; before it none does.
CREATE FUNCTION keep_blind() RETURNS trigger LANGUAGE plpgsql AS $$
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
    IF TG_TABLE_NAME = 'defect_score' THEN
        IF EXISTS (SELECT FROM inspection_lock l
                   WHERE l.specimen_id = NEW.specimen_id AND l.person_id = (to_jsonb(NEW) ->> 'person_id')::uuid) THEN
            RAISE EXCEPTION 'the scores of this specimen are locked' USING ERRCODE = 'integrity_constraint_violation';
        END IF;
    END IF;
    RETURN NEW;
END $$;
CREATE TRIGGER keep_blind BEFORE INSERT ON reading FOR EACH ROW EXECUTE FUNCTION keep_blind();
CREATE TRIGGER keep_blind BEFORE INSERT ON defect_score FOR EACH ROW EXECUTE FUNCTION keep_blind();

-- There is always an owner, whoever steps down with whom.
CREATE FUNCTION keep_an_owner() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    IF OLD.role = 'owner' AND OLD.active AND (TG_OP = 'DELETE' OR NEW.role <> 'owner' OR NOT NEW.active) THEN
        PERFORM pg_advisory_xact_lock(hashtextextended('crevlo owners', 0));
        IF NOT EXISTS (SELECT FROM person WHERE role = 'owner' AND active AND id <> OLD.id) THEN
            RAISE EXCEPTION 'this is the last owner' USING ERRCODE = 'integrity_constraint_violation';
        END IF;
    END IF;
    RETURN COALESCE(NEW, OLD);
END $$;
CREATE TRIGGER keep_an_owner BEFORE UPDATE OR DELETE ON person FOR EACH ROW EXECUTE FUNCTION keep_an_owner();

-- Answers kept for a repeat must not hold the token of a device.
UPDATE client_write SET body = regexp_replace(body, '"token":"[^"]*"', '"token":""') WHERE body LIKE '%"token":"%';
