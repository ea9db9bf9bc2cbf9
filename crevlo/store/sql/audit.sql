-- Every change of every noun leaves who, when, before and after. Secrets and file contents stay out.
CREATE FUNCTION write_audit() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
    old_row jsonb := CASE WHEN TG_OP <> 'INSERT' THEN to_jsonb(OLD) - ARRAY['password_hash', 'html', 'content', 'facts', 'settings', 'data'] END;
    new_row jsonb := CASE WHEN TG_OP <> 'DELETE' THEN to_jsonb(NEW) - ARRAY['password_hash', 'html', 'content', 'facts', 'settings', 'data'] END;
BEGIN
    INSERT INTO audit_entry (table_name, row_id, action, before, after, person_id)
    VALUES (TG_TABLE_NAME, COALESCE(new_row->>'id', old_row->>'id', new_row->>'sha256'), lower(TG_OP), old_row, new_row,
            NULLIF(current_setting('crevlo.person', true), '')::uuid);
    RETURN NULL;
END $$;

DO $$
DECLARE t text;
BEGIN
    FOREACH t IN ARRAY ARRAY['person', 'model', 'unit', 'configuration', 'safety_check', 'spool', 'instrument',
        'zero_check', 'artifact', 'feature', 'study', 'study_unit', 'protocol', 'job', 'deviation', 'scheme',
        'criterion', 'buyer_profile', 'gate', 'report_revision', 'sliced_file', 'run', 'noise_reading', 'specimen',
        'reading', 'defect_score', 'inspection_lock']
    LOOP
        EXECUTE format('CREATE TRIGGER audit AFTER INSERT OR UPDATE OR DELETE ON %I
                        FOR EACH ROW EXECUTE FUNCTION write_audit()', t);
    END LOOP;
END $$;
