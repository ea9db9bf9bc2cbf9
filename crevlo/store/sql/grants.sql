-- What the application's role may do: it owns nothing, so that triggers, audit and append-only hold against it too.
DO $$
DECLARE
    app text := current_setting('crevlo.app_role');
    t text;
BEGIN
    EXECUTE format('GRANT USAGE ON SCHEMA public TO %I', app);
    EXECUTE format('GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA public TO %I', app);
    EXECUTE format('GRANT USAGE, SELECT ON ALL SEQUENCES IN SCHEMA public TO %I', app);
    EXECUTE format('GRANT EXECUTE ON ALL FUNCTIONS IN SCHEMA public TO %I', app);
    EXECUTE format('REVOKE INSERT, UPDATE, DELETE ON audit_entry, alembic_version FROM %I', app);
    FOREACH t IN ARRAY ARRAY['reading', 'defect_score', 'zero_check', 'noise_reading', 'safety_check', 'inspection_lock',
        'deviation', 'report_revision', 'scheme', 'criterion', 'unit_measure', 'log_entry', 'spool_entry', 'run_event',
        'schedule', 'artifact', 'feature', 'rejection', 'unit_price', 'upload', 'configuration', 'judgement', 'exchange_rate',
        'duel', 'look', 'own_defect', 'ability', 'run_note', 'surroundings', 'rubric_score', 'gauge_reading', 'hand', 'ballot_piece', 'vote', 'price_point',
        'unblinding']
    LOOP
        EXECUTE format('REVOKE UPDATE, DELETE ON %I FROM %I', t, app);
    END LOOP;
    FOREACH t IN ARRAY ARRAY['run', 'job', 'specimen', 'sliced_file', 'person', 'study']
    LOOP
        EXECUTE format('REVOKE DELETE ON %I FROM %I', t, app);
    END LOOP;
END $$;
