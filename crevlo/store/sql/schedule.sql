-- A schedule that was made stays as it was made.
CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON schedule FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON schedule FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();

DO $$
DECLARE t text;
BEGIN
    FOREACH t IN ARRAY ARRAY['bench_rules', 'pin']
    LOOP
        EXECUTE format('CREATE TRIGGER audit AFTER INSERT OR UPDATE OR DELETE ON %I
                        FOR EACH ROW EXECUTE FUNCTION write_audit()', t);
    END LOOP;
END $$;
