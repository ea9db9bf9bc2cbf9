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

-- A correction stays on the same specimen and feature (or defect and rater) as what it corrects.
CREATE FUNCTION correct_in_place() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    IF NEW.supersedes_id IS NOT NULL THEN
        IF TG_TABLE_NAME = 'reading' AND NOT EXISTS (
            SELECT 1 FROM reading r WHERE r.id = NEW.supersedes_id AND r.specimen_id = NEW.specimen_id
            AND r.feature_id = NEW.feature_id AND r.repeat = NEW.repeat)
        OR TG_TABLE_NAME = 'defect_score' AND NOT EXISTS (
            SELECT 1 FROM defect_score s WHERE s.id = NEW.supersedes_id AND s.specimen_id = NEW.specimen_id
            AND to_jsonb(s)->>'defect' = to_jsonb(NEW)->>'defect' AND s.person_id = NEW.person_id)
        OR TG_TABLE_NAME = 'noise_reading' AND NOT EXISTS (
            SELECT 1 FROM noise_reading n WHERE n.id = NEW.supersedes_id AND n.run_id = NEW.run_id)
        THEN
            RAISE EXCEPTION 'a correction must replace an entry of the same place'
                USING ERRCODE = 'integrity_constraint_violation';
        END IF;
    END IF;
    RETURN NEW;
END $$;
CREATE TRIGGER correct_in_place BEFORE INSERT ON reading FOR EACH ROW EXECUTE FUNCTION correct_in_place();
CREATE TRIGGER correct_in_place BEFORE INSERT ON defect_score FOR EACH ROW EXECUTE FUNCTION correct_in_place();
CREATE TRIGGER correct_in_place BEFORE INSERT ON noise_reading FOR EACH ROW EXECUTE FUNCTION correct_in_place();
