-- Readings, scores and everything else that was observed are corrected by a newer row, never changed.
CREATE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    RAISE EXCEPTION '% is append-only: a correction is a new row', TG_TABLE_NAME
        USING ERRCODE = 'integrity_constraint_violation';
END $$;

DO $$
DECLARE t text;
BEGIN
    FOREACH t IN ARRAY ARRAY['reading', 'defect_score', 'zero_check', 'noise_reading', 'safety_check',
                             'inspection_lock', 'deviation', 'report_revision', 'audit_entry', 'scheme', 'criterion']
    LOOP
        EXECUTE format('CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON %I
                        FOR EACH ROW EXECUTE FUNCTION refuse_change()', t);
        EXECUTE format('CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON %I
                        FOR EACH STATEMENT EXECUTE FUNCTION refuse_change()', t);
    END LOOP;
END $$;

-- A frozen protocol stays as it was frozen.
CREATE FUNCTION keep_frozen() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    IF OLD.frozen_at IS NOT NULL THEN
        RAISE EXCEPTION 'the protocol is frozen: a later change is a deviation'
            USING ERRCODE = 'integrity_constraint_violation';
    END IF;
    RETURN COALESCE(NEW, OLD);
END $$;
CREATE TRIGGER keep_frozen BEFORE UPDATE OR DELETE ON protocol FOR EACH ROW EXECUTE FUNCTION keep_frozen();

-- A correction stays where what it corrects is; the trigger's arguments name the columns that make the place.
CREATE FUNCTION correct_in_place() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
    corrected jsonb;
    place text;
BEGIN
    IF NEW.supersedes_id IS NULL THEN
        RETURN NEW;
    END IF;
    EXECUTE format('SELECT to_jsonb(t) FROM %I t WHERE id = $1', TG_TABLE_NAME) INTO corrected USING NEW.supersedes_id;
    FOREACH place IN ARRAY TG_ARGV LOOP
        IF corrected -> place IS DISTINCT FROM to_jsonb(NEW) -> place THEN
            RAISE EXCEPTION 'a correction must replace an entry of the same place'
                USING ERRCODE = 'integrity_constraint_violation';
        END IF;
    END LOOP;
    RETURN NEW;
END $$;
CREATE TRIGGER correct_in_place BEFORE INSERT ON reading
    FOR EACH ROW EXECUTE FUNCTION correct_in_place('specimen_id', 'feature_id', 'repeat');
CREATE TRIGGER correct_in_place BEFORE INSERT ON defect_score
    FOR EACH ROW EXECUTE FUNCTION correct_in_place('specimen_id', 'defect', 'person_id');
CREATE TRIGGER correct_in_place BEFORE INSERT ON noise_reading
    FOR EACH ROW EXECUTE FUNCTION correct_in_place('run_id');
