-- What hangs on a frozen protocol stays too.
CREATE FUNCTION keep_frozen_arm() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    IF (SELECT frozen_at FROM protocol WHERE id = COALESCE(OLD.protocol_id, NEW.protocol_id)) IS NOT NULL THEN
        RAISE EXCEPTION 'the protocol is frozen: a later change is a deviation'
            USING ERRCODE = 'integrity_constraint_violation';
    END IF;
    RETURN COALESCE(NEW, OLD);
END $$;
CREATE TRIGGER keep_frozen BEFORE INSERT OR UPDATE OR DELETE ON arm FOR EACH ROW EXECUTE FUNCTION keep_frozen_arm();

CREATE FUNCTION keep_frozen_line() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    IF (SELECT frozen_at FROM protocol JOIN arm ON arm.protocol_id = protocol.id
        WHERE arm.id = COALESCE(OLD.arm_id, NEW.arm_id)) IS NOT NULL THEN
        RAISE EXCEPTION 'the protocol is frozen: a later change is a deviation'
            USING ERRCODE = 'integrity_constraint_violation';
    END IF;
    RETURN COALESCE(NEW, OLD);
END $$;
CREATE TRIGGER keep_frozen BEFORE INSERT OR UPDATE OR DELETE ON print_line
    FOR EACH ROW EXECUTE FUNCTION keep_frozen_line();

-- A version of an artifact is what it was: readings hang on its features.
CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON artifact FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON feature FOR EACH ROW EXECUTE FUNCTION refuse_change();

DO $$
DECLARE t text;
BEGIN
    FOREACH t IN ARRAY ARRAY['arm', 'print_line', 'protocol_template']
    LOOP
        EXECUTE format('CREATE TRIGGER audit AFTER INSERT OR UPDATE OR DELETE ON %I
                        FOR EACH ROW EXECUTE FUNCTION write_audit()', t);
    END LOOP;
END $$;
