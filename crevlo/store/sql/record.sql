-- What was measured or logged of a unit is corrected by a newer row; what people keep up to date leaves its history.
DO $$
DECLARE t text;
BEGIN
    FOREACH t IN ARRAY ARRAY['unit_measure', 'log_entry', 'spool_entry']
    LOOP
        EXECUTE format('CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON %I
                        FOR EACH ROW EXECUTE FUNCTION refuse_change()', t);
        EXECUTE format('CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON %I
                        FOR EACH STATEMENT EXECUTE FUNCTION refuse_change()', t);
    END LOOP;
    FOREACH t IN ARRAY ARRAY['box_item', 'assembly_step', 'unit_measure', 'claim', 'feature_worth', 'log_entry', 'spool_entry']
    LOOP
        EXECUTE format('CREATE TRIGGER audit AFTER INSERT OR UPDATE OR DELETE ON %I
                        FOR EACH ROW EXECUTE FUNCTION write_audit()', t);
    END LOOP;
END $$;
CREATE TRIGGER correct_in_place BEFORE INSERT ON unit_measure
    FOR EACH ROW EXECUTE FUNCTION correct_in_place('unit_id', 'kind');
CREATE TRIGGER correct_in_place BEFORE INSERT ON log_entry
    FOR EACH ROW EXECUTE FUNCTION correct_in_place('unit_id', 'kind');
