-- As before; what a file's moves add up to is large, and a token is a secret even as its hash.
CREATE OR REPLACE FUNCTION write_audit() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
    hidden text[] := ARRAY['password_hash', 'token_sha256', 'html', 'content', 'facts', 'settings', 'motion', 'data'];
    old_row jsonb := CASE WHEN TG_OP <> 'INSERT' THEN to_jsonb(OLD) - hidden END;
    new_row jsonb := CASE WHEN TG_OP <> 'DELETE' THEN to_jsonb(NEW) - hidden END;
BEGIN
    INSERT INTO audit_entry (table_name, row_id, action, before, after, person_id)
    VALUES (TG_TABLE_NAME, COALESCE(new_row->>'id', old_row->>'id', new_row->>'sha256'), lower(TG_OP), old_row, new_row,
            NULLIF(current_setting('crevlo.person', true), '')::uuid);
    RETURN NULL;
END $$;

-- Samples go to a partition for their month, made when the first one of it comes.
CREATE FUNCTION power_month(moment timestamptz) RETURNS void LANGUAGE plpgsql AS $$
DECLARE
    month timestamptz := date_trunc('month', moment, 'UTC');
    name text := 'power_sample_' || to_char(month AT TIME ZONE 'UTC', 'YYYY_MM');
BEGIN
    IF to_regclass(name) IS NULL THEN
        -- Two that find it missing: the second waits here, and then finds it.
        PERFORM pg_advisory_xact_lock(hashtextextended(name, 0));
        EXECUTE format('CREATE TABLE IF NOT EXISTS %I PARTITION OF power_sample FOR VALUES FROM (%L) TO (%L)', name,
                       month, (month AT TIME ZONE 'UTC' + interval '1 month') AT TIME ZONE 'UTC');
    END IF;
END $$;

DO $$
DECLARE t text;
BEGIN
    FOREACH t IN ARRAY ARRAY['run_event']
    LOOP
        EXECUTE format('CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON %I
                        FOR EACH ROW EXECUTE FUNCTION refuse_change()', t);
        EXECUTE format('CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON %I
                        FOR EACH STATEMENT EXECUTE FUNCTION refuse_change()', t);
    END LOOP;
    FOREACH t IN ARRAY ARRAY['device', 'run_event', 'hypothesis', 'photo']
    LOOP
        EXECUTE format('CREATE TRIGGER audit AFTER INSERT OR UPDATE OR DELETE ON %I
                        FOR EACH ROW EXECUTE FUNCTION write_audit()', t);
    END LOOP;
END $$;
CREATE TRIGGER correct_in_place BEFORE INSERT ON run_event
    FOR EACH ROW EXECUTE FUNCTION correct_in_place('run_id');
