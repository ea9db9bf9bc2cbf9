-- Kinds and codes are text that the core checks: what is told is added to in one place, without a change of the tables.
DO $$
DECLARE
    found record;
BEGIN
    FOR found IN
        SELECT con.conname, rel.relname FROM pg_constraint con
        JOIN pg_class rel ON rel.oid = con.conrelid JOIN pg_namespace ns ON ns.oid = rel.relnamespace
        WHERE con.contype = 'c' AND ns.nspname = 'public' AND rel.relname || '.' || con.conname IN (
            'device.ck_device_devicekind', 'run_event.ck_run_event_runeventkind', 'hypothesis.ck_hypothesis_ruling',
            'unit.ck_unit_obtained', 'safety_check.ck_safety_check_check', 'safety_check.ck_safety_check_checkresult',
            'instrument.ck_instrument_instrumentkind', 'feature.ck_feature_kind', 'feature.ck_feature_axis_known',
            'feature.ck_feature_unit_known', 'rejection.ck_rejection_cause', 'box_item.ck_box_item_found',
            'unit_measure.ck_unit_measure_measurekind', 'claim.ck_claim_claimkind', 'claim.ck_claim_noisestate',
            'log_entry.ck_log_entry_logkind', 'spool_entry.ck_spool_entry_spoolkind', 'run.ck_run_outcome',
            'run.ck_run_cause', 'run.ck_run_energyfrom', 'noise_reading.ck_noise_reading_noisestate',
            'arm.ck_arm_slicing', 'arm.ck_arm_tuning', 'criterion.ck_criterion_shape', 'gate.ck_gate_gatekind',
            'defect_score.ck_defect_score_defect_known')
    LOOP
        EXECUTE format('ALTER TABLE %I DROP CONSTRAINT %I', found.relname, found.conname);
    END LOOP;
END $$;
ALTER TABLE device ALTER kind TYPE varchar;
ALTER TABLE run_event ALTER kind TYPE varchar;
ALTER TABLE unit_measure ALTER kind TYPE varchar;
ALTER TABLE claim ALTER kind TYPE varchar, ALTER state TYPE varchar;
ALTER TABLE log_entry ALTER kind TYPE varchar;
ALTER TABLE feature ALTER kind TYPE varchar, ALTER kind DROP DEFAULT;
ALTER TABLE gate ALTER kind TYPE varchar;
ALTER TABLE noise_reading ALTER state TYPE varchar;

-- A reading is a number in the unit of its feature; within which limits, the core knows.
ALTER TABLE reading RENAME COLUMN value_mm TO value;
ALTER TABLE reading DROP CONSTRAINT ck_reading_value_range,
    ADD CONSTRAINT ck_reading_value_bounded CHECK (value > -1e9 AND value < 1e9);

-- What a person says of a feature, or of the whole specimen: a verdict with its word, a count, or a look.
CREATE TABLE judgement (
    id uuid NOT NULL, specimen_id uuid NOT NULL, feature_id uuid, takes varchar NOT NULL, amount integer, verdict varchar,
    word varchar NOT NULL, person_id uuid NOT NULL, judged_at timestamptz NOT NULL,
    recorded_at timestamptz NOT NULL DEFAULT clock_timestamp(), supersedes_id uuid, reason varchar, after_reveal varchar,
    CONSTRAINT pk_judgement PRIMARY KEY (id),
    CONSTRAINT fk_judgement_specimen_id FOREIGN KEY (specimen_id) REFERENCES specimen (id),
    CONSTRAINT fk_judgement_feature_id FOREIGN KEY (feature_id) REFERENCES feature (id),
    CONSTRAINT fk_judgement_person_id FOREIGN KEY (person_id) REFERENCES person (id),
    CONSTRAINT fk_judgement_supersedes_id FOREIGN KEY (supersedes_id) REFERENCES judgement (id),
    CONSTRAINT uq_judgement_supersedes_id UNIQUE (supersedes_id),
    CONSTRAINT ck_judgement_says_one CHECK ((amount IS NULL) <> (verdict IS NULL)),
    CONSTRAINT ck_judgement_amount_bounded CHECK (amount BETWEEN 0 AND 100000),
    CONSTRAINT ck_judgement_correction_has_reason CHECK ((supersedes_id IS NULL) = (reason IS NULL))
);
CREATE INDEX ix_judgement_specimen_id ON judgement (specimen_id);
CREATE UNIQUE INDEX uq_judgement_first ON judgement (specimen_id, feature_id, takes, person_id) NULLS NOT DISTINCT
    WHERE supersedes_id IS NULL;
CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON judgement FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON judgement FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
CREATE TRIGGER correct_in_place BEFORE INSERT ON judgement
    FOR EACH ROW EXECUTE FUNCTION correct_in_place('specimen_id', 'feature_id', 'takes', 'person_id');
CREATE TRIGGER keep_blind BEFORE INSERT ON judgement FOR EACH ROW EXECUTE FUNCTION keep_blind();
CREATE TRIGGER audit AFTER INSERT OR UPDATE OR DELETE ON judgement FOR EACH ROW EXECUTE FUNCTION write_audit();

-- A scheme's criteria name what is told by its code, and value it by points of a function.
ALTER TABLE criterion DISABLE TRIGGER append_only;
ALTER TABLE criterion ADD points jsonb;
UPDATE criterion SET points = jsonb_build_array(jsonb_build_array(worst, 0), jsonb_build_array(best, 100)),
    code = CASE code WHEN 'accuracy' THEN 'off.mean' ELSE code END;
ALTER TABLE criterion ALTER points SET NOT NULL, DROP CONSTRAINT ck_criterion_anchors_differ,
    DROP worst, DROP best, ALTER shape TYPE varchar,
    ADD CONSTRAINT ck_criterion_has_points CHECK (jsonb_typeof(points) = 'array' AND jsonb_array_length(points) >= 2);
ALTER TABLE criterion ENABLE TRIGGER append_only;
UPDATE buyer_profile SET weights = (weights - 'accuracy') || jsonb_build_object('off.mean', weights -> 'accuracy')
WHERE weights ? 'accuracy';
UPDATE gate SET what = 'off.mean' WHERE kind = 'figure' AND what = 'accuracy';

-- An amount has its currency and its day. What was stated so far is in the currency of the studies that it is used in.
CREATE FUNCTION pg_temp.usual(candidates varchar[]) RETURNS varchar LANGUAGE sql AS $$
    SELECT coalesce(
        (SELECT c FROM unnest(candidates) c GROUP BY c ORDER BY count(*) DESC, c LIMIT 1),
        (SELECT currency FROM study GROUP BY currency ORDER BY count(*) DESC, currency LIMIT 1), 'EUR')
$$;
ALTER TABLE unit_price DISABLE TRIGGER append_only;
ALTER TABLE unit_price ADD currency varchar;
UPDATE unit_price p SET currency = coalesce(
    (SELECT currency FROM study WHERE study.id = p.study_id),
    pg_temp.usual(ARRAY(SELECT study.currency FROM study JOIN study_unit u ON u.study_id = study.id WHERE u.unit_id = p.unit_id)));
ALTER TABLE unit_price ALTER currency SET NOT NULL,
    ADD CONSTRAINT ck_unit_price_currency_code CHECK (currency ~ '^[A-Z]{3}$');
ALTER TABLE unit_price ENABLE TRIGGER append_only;
ALTER TABLE spool ADD currency varchar, ADD priced_on date;
UPDATE spool s SET currency = pg_temp.usual(ARRAY(
    SELECT study.currency FROM study JOIN protocol ON protocol.study_id = study.id JOIN arm ON arm.protocol_id = protocol.id
    JOIN print_line line ON line.arm_id = arm.id WHERE line.spool_id = s.id));
ALTER TABLE spool ALTER currency SET NOT NULL, ADD CONSTRAINT ck_spool_currency_code CHECK (currency ~ '^[A-Z]{3}$');
ALTER TABLE feature_worth ADD currency varchar;
UPDATE feature_worth SET currency = pg_temp.usual(ARRAY[]::varchar[]);
ALTER TABLE feature_worth ALTER currency SET NOT NULL,
    ADD CONSTRAINT ck_feature_worth_currency_code CHECK (currency ~ '^[A-Z]{3}$');

ALTER TABLE model ADD currency varchar;
UPDATE model m SET currency = pg_temp.usual(ARRAY(
    SELECT study.currency FROM study JOIN study_unit u ON u.study_id = study.id JOIN unit ON unit.id = u.unit_id
    WHERE unit.model_id = m.id));
ALTER TABLE model ALTER currency SET NOT NULL, ADD CONSTRAINT ck_model_currency_code CHECK (currency ~ '^[A-Z]{3}$');
ALTER TABLE log_entry DISABLE TRIGGER append_only;
ALTER TABLE log_entry ADD currency varchar;
UPDATE log_entry e SET currency = pg_temp.usual(ARRAY(
    SELECT study.currency FROM study JOIN study_unit u ON u.study_id = study.id WHERE u.unit_id = e.unit_id))
WHERE cost IS NOT NULL;
ALTER TABLE log_entry ADD CONSTRAINT ck_log_entry_cost_has_currency CHECK (cost IS NULL OR currency ~ '^[A-Z]{3}$');
ALTER TABLE log_entry ENABLE TRIGGER append_only;

-- What one of a currency was worth in another on a day, as a person read it somewhere.
CREATE TABLE exchange_rate (
    id uuid NOT NULL, base varchar NOT NULL, quote varchar NOT NULL, rate double precision NOT NULL, "on" date NOT NULL,
    source varchar NOT NULL, person_id uuid NOT NULL, recorded_at timestamptz NOT NULL DEFAULT clock_timestamp(),
    CONSTRAINT pk_exchange_rate PRIMARY KEY (id),
    CONSTRAINT fk_exchange_rate_person_id FOREIGN KEY (person_id) REFERENCES person (id),
    CONSTRAINT ck_exchange_rate_currency_codes CHECK (base ~ '^[A-Z]{3}$' AND quote ~ '^[A-Z]{3}$' AND base <> quote),
    CONSTRAINT ck_exchange_rate_rate_positive CHECK (rate > 0 AND rate < 1e9)
);
CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON exchange_rate FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON exchange_rate FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
CREATE TRIGGER audit AFTER INSERT OR UPDATE OR DELETE ON exchange_rate FOR EACH ROW EXECUTE FUNCTION write_audit();
