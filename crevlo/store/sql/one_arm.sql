-- A protocol so far had one artifact from one spool; it becomes an arm with one line, its copies the most any machine had.
INSERT INTO arm (id, protocol_id, position, name, slicing, tuning, conditions)
SELECT gen_random_uuid(), id, 0, CASE policies->>'slicing' WHEN 'own' THEN 'Makers'' own profiles' ELSE 'Stock' END,
       coalesce(policies->>'slicing', 'common'), 'stock', conditions
FROM protocol;

INSERT INTO print_line (id, arm_id, position, artifact_id, spool_id, copies)
SELECT gen_random_uuid(), arm.id, 0, protocol.artifact_id, protocol.spool_id,
       coalesce((SELECT max(copies) FROM study_unit WHERE study_unit.study_id = protocol.study_id), 3)
FROM arm JOIN protocol ON protocol.id = arm.protocol_id;

ALTER TABLE protocol DISABLE TRIGGER keep_frozen;
UPDATE protocol SET policies = policies - 'slicing';
ALTER TABLE protocol ENABLE TRIGGER keep_frozen;
