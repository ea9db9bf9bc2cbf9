--
-- PostgreSQL database dump
--

\restrict ufYHD3ym7YPSmziyam9ZDBTzZphntiBX0wO9AcMblPvVzRCwdNDzGp6wH1S7j52

-- Dumped from database version 15.18 (Debian 15.18-0+deb12u1)
-- Dumped by pg_dump version 15.18 (Debian 15.18-0+deb12u1)

SET statement_timeout = 0;
SET lock_timeout = 0;
SET idle_in_transaction_session_timeout = 0;
SET client_encoding = 'UTF8';
SET standard_conforming_strings = on;
SELECT pg_catalog.set_config('search_path', '', false);
SET check_function_bodies = false;
SET xmloption = content;
SET client_min_messages = warning;
SET row_security = off;

--
-- Name: procrastinate_job_event_type; Type: TYPE; Schema: public; Owner: -
--

CREATE TYPE public.procrastinate_job_event_type AS ENUM (
    'deferred',
    'started',
    'deferred_for_retry',
    'failed',
    'succeeded',
    'cancelled',
    'abort_requested',
    'aborted',
    'scheduled',
    'retried'
);


--
-- Name: procrastinate_job_status; Type: TYPE; Schema: public; Owner: -
--

CREATE TYPE public.procrastinate_job_status AS ENUM (
    'todo',
    'doing',
    'succeeded',
    'failed',
    'cancelled',
    'aborting',
    'aborted'
);


--
-- Name: procrastinate_job_to_defer_v1; Type: TYPE; Schema: public; Owner: -
--

CREATE TYPE public.procrastinate_job_to_defer_v1 AS (
	queue_name character varying,
	task_name character varying,
	priority integer,
	lock text,
	queueing_lock text,
	args jsonb,
	scheduled_at timestamp with time zone
);


--
-- Name: correct_in_place(); Type: FUNCTION; Schema: public; Owner: -
--

CREATE FUNCTION public.correct_in_place() RETURNS trigger
    LANGUAGE plpgsql
    AS $_$
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
END $_$;


--
-- Name: keep_an_owner(); Type: FUNCTION; Schema: public; Owner: -
--

CREATE FUNCTION public.keep_an_owner() RETURNS trigger
    LANGUAGE plpgsql
    AS $$
BEGIN
    IF OLD.role = 'owner' AND OLD.active AND (TG_OP = 'DELETE' OR NEW.role <> 'owner' OR NOT NEW.active) THEN
        PERFORM pg_advisory_xact_lock(hashtextextended('crevlo owners', 0));
        IF NOT EXISTS (SELECT FROM person WHERE role = 'owner' AND active AND id <> OLD.id) THEN
            RAISE EXCEPTION 'this is the last owner' USING ERRCODE = 'integrity_constraint_violation';
        END IF;
    END IF;
    RETURN COALESCE(NEW, OLD);
END $$;


--
-- Name: keep_blind(); Type: FUNCTION; Schema: public; Owner: -
--

CREATE FUNCTION public.keep_blind() RETURNS trigger
    LANGUAGE plpgsql
    AS $$
DECLARE
    open_since timestamptz;
BEGIN
    PERFORM 1 FROM specimen WHERE id = NEW.specimen_id FOR SHARE;
    SELECT study.revealed_at INTO open_since FROM study JOIN specimen ON specimen.study_id = study.id
    WHERE specimen.id = NEW.specimen_id FOR SHARE OF study;
    IF (open_since IS NULL) <> (NEW.after_reveal IS NULL) THEN
        RAISE EXCEPTION 'after the reveal an entry is marked so, with its reason; before it none is'
            USING ERRCODE = 'integrity_constraint_violation';
    END IF;
    IF TG_TABLE_NAME = 'defect_score' THEN
        IF EXISTS (SELECT FROM inspection_lock l
                   WHERE l.specimen_id = NEW.specimen_id AND l.person_id = (to_jsonb(NEW) ->> 'person_id')::uuid) THEN
            RAISE EXCEPTION 'the scores of this specimen are locked' USING ERRCODE = 'integrity_constraint_violation';
        END IF;
    END IF;
    RETURN NEW;
END $$;


--
-- Name: keep_columns(); Type: FUNCTION; Schema: public; Owner: -
--

CREATE FUNCTION public.keep_columns() RETURNS trigger
    LANGUAGE plpgsql
    AS $$
DECLARE
    settled text;
BEGIN
    FOREACH settled IN ARRAY TG_ARGV LOOP
        IF to_jsonb(OLD) -> settled IS DISTINCT FROM to_jsonb(NEW) -> settled THEN
            RAISE EXCEPTION '% of % is settled and stays', settled, TG_TABLE_NAME
                USING ERRCODE = 'integrity_constraint_violation';
        END IF;
    END LOOP;
    RETURN NEW;
END $$;


--
-- Name: keep_frozen(); Type: FUNCTION; Schema: public; Owner: -
--

CREATE FUNCTION public.keep_frozen() RETURNS trigger
    LANGUAGE plpgsql
    AS $$
BEGIN
    IF OLD.frozen_at IS NOT NULL THEN
        RAISE EXCEPTION 'the protocol is frozen: a later change is a deviation'
            USING ERRCODE = 'integrity_constraint_violation';
    END IF;
    RETURN COALESCE(NEW, OLD);
END $$;


--
-- Name: keep_frozen_arm(); Type: FUNCTION; Schema: public; Owner: -
--

CREATE FUNCTION public.keep_frozen_arm() RETURNS trigger
    LANGUAGE plpgsql
    AS $$
BEGIN
    IF EXISTS (SELECT FROM protocol WHERE frozen_at IS NOT NULL AND id IN (OLD.protocol_id, NEW.protocol_id)) THEN
        RAISE EXCEPTION 'the protocol is frozen: a later change is a deviation'
            USING ERRCODE = 'integrity_constraint_violation';
    END IF;
    RETURN COALESCE(NEW, OLD);
END $$;


--
-- Name: keep_frozen_line(); Type: FUNCTION; Schema: public; Owner: -
--

CREATE FUNCTION public.keep_frozen_line() RETURNS trigger
    LANGUAGE plpgsql
    AS $$
BEGIN
    IF EXISTS (SELECT FROM protocol JOIN arm ON arm.protocol_id = protocol.id
               WHERE protocol.frozen_at IS NOT NULL AND arm.id IN (OLD.arm_id, NEW.arm_id)) THEN
        RAISE EXCEPTION 'the protocol is frozen: a later change is a deviation'
            USING ERRCODE = 'integrity_constraint_violation';
    END IF;
    RETURN COALESCE(NEW, OLD);
END $$;


--
-- Name: power_month(timestamp with time zone); Type: FUNCTION; Schema: public; Owner: -
--

CREATE FUNCTION public.power_month(moment timestamp with time zone) RETURNS void
    LANGUAGE plpgsql SECURITY DEFINER
    SET search_path TO 'public'
    AS $$
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


--
-- Name: procrastinate_cancel_job_v1(bigint, boolean, boolean); Type: FUNCTION; Schema: public; Owner: -
--

CREATE FUNCTION public.procrastinate_cancel_job_v1(job_id bigint, abort boolean, delete_job boolean) RETURNS bigint
    LANGUAGE plpgsql
    AS $$
DECLARE
    _job_id bigint;
BEGIN
    IF delete_job THEN
        DELETE FROM procrastinate_jobs
        WHERE id = job_id AND status = 'todo'
        RETURNING id INTO _job_id;
    END IF;
    IF _job_id IS NULL THEN
        IF abort THEN
            UPDATE procrastinate_jobs
            SET abort_requested = true,
                status = CASE status
                    WHEN 'todo' THEN 'cancelled'::procrastinate_job_status ELSE status
                END
            WHERE id = job_id AND status IN ('todo', 'doing')
            RETURNING id INTO _job_id;
        ELSE
            UPDATE procrastinate_jobs
            SET status = 'cancelled'::procrastinate_job_status
            WHERE id = job_id AND status = 'todo'
            RETURNING id INTO _job_id;
        END IF;
    END IF;
    RETURN _job_id;
END;
$$;


--
-- Name: procrastinate_defer_jobs_v1(public.procrastinate_job_to_defer_v1[]); Type: FUNCTION; Schema: public; Owner: -
--

CREATE FUNCTION public.procrastinate_defer_jobs_v1(jobs public.procrastinate_job_to_defer_v1[]) RETURNS bigint[]
    LANGUAGE plpgsql
    AS $$
DECLARE
    job_ids bigint[];
BEGIN
    WITH inserted_jobs AS (
        INSERT INTO procrastinate_jobs (queue_name, task_name, priority, lock, queueing_lock, args, scheduled_at)
        SELECT (job).queue_name,
               (job).task_name,
               (job).priority,
               (job).lock,
               (job).queueing_lock,
               (job).args,
               (job).scheduled_at
        FROM unnest(jobs) AS job
        RETURNING id
    )
    SELECT array_agg(id) FROM inserted_jobs INTO job_ids;

    RETURN job_ids;
END;
$$;


--
-- Name: procrastinate_defer_periodic_job_v2(character varying, character varying, character varying, character varying, integer, character varying, bigint, jsonb); Type: FUNCTION; Schema: public; Owner: -
--

CREATE FUNCTION public.procrastinate_defer_periodic_job_v2(_queue_name character varying, _lock character varying, _queueing_lock character varying, _task_name character varying, _priority integer, _periodic_id character varying, _defer_timestamp bigint, _args jsonb) RETURNS bigint
    LANGUAGE plpgsql
    AS $$
DECLARE
	_job_id bigint;
	_defer_id bigint;
BEGIN
    INSERT
        INTO procrastinate_periodic_defers (task_name, periodic_id, defer_timestamp)
        VALUES (_task_name, _periodic_id, _defer_timestamp)
        ON CONFLICT DO NOTHING
        RETURNING id into _defer_id;

    IF _defer_id IS NULL THEN
        RETURN NULL;
    END IF;

    UPDATE procrastinate_periodic_defers
        SET job_id = (
            SELECT COALESCE((
                SELECT unnest(procrastinate_defer_jobs_v1(
                    ARRAY[
                        ROW(
                            _queue_name,
                            _task_name,
                            _priority,
                            _lock,
                            _queueing_lock,
                            _args,
                            NULL::timestamptz
                        )
                    ]::procrastinate_job_to_defer_v1[]
                ))
            ), NULL)
        )
        WHERE id = _defer_id
        RETURNING job_id INTO _job_id;

    DELETE
        FROM procrastinate_periodic_defers
        USING (
            SELECT id
            FROM procrastinate_periodic_defers
            WHERE procrastinate_periodic_defers.task_name = _task_name
            AND procrastinate_periodic_defers.periodic_id = _periodic_id
            AND procrastinate_periodic_defers.defer_timestamp < _defer_timestamp
            ORDER BY id
            FOR UPDATE
        ) to_delete
        WHERE procrastinate_periodic_defers.id = to_delete.id;

    RETURN _job_id;
END;
$$;


SET default_tablespace = '';

SET default_table_access_method = heap;

--
-- Name: procrastinate_jobs; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.procrastinate_jobs (
    id bigint NOT NULL,
    queue_name character varying(128) NOT NULL,
    task_name character varying(128) NOT NULL,
    priority integer DEFAULT 0 NOT NULL,
    lock text,
    queueing_lock text,
    args jsonb DEFAULT '{}'::jsonb NOT NULL,
    status public.procrastinate_job_status DEFAULT 'todo'::public.procrastinate_job_status NOT NULL,
    scheduled_at timestamp with time zone,
    attempts integer DEFAULT 0 NOT NULL,
    abort_requested boolean DEFAULT false NOT NULL,
    worker_id bigint,
    CONSTRAINT check_not_todo_abort_requested CHECK ((NOT ((status = 'todo'::public.procrastinate_job_status) AND (abort_requested = true))))
);


--
-- Name: procrastinate_fetch_job_v2(character varying[], bigint); Type: FUNCTION; Schema: public; Owner: -
--

CREATE FUNCTION public.procrastinate_fetch_job_v2(target_queue_names character varying[], p_worker_id bigint) RETURNS public.procrastinate_jobs
    LANGUAGE plpgsql
    AS $$
DECLARE
	found_jobs procrastinate_jobs;
BEGIN
    WITH candidate AS (
        SELECT jobs.*
            FROM procrastinate_jobs AS jobs
            WHERE
                -- reject the job if its lock has earlier or higher priority jobs
                NOT EXISTS (
                    SELECT 1
                        FROM procrastinate_jobs AS other_jobs
                        WHERE
                            jobs.lock IS NOT NULL
                            AND other_jobs.lock = jobs.lock
                            AND (
                                -- job with same lock is already running
                                other_jobs.status = 'doing'
                                OR
                                -- job with same lock is waiting and has higher priority (or same priority but was queued first)
                                (
                                    other_jobs.status = 'todo'
                                    AND (
                                        other_jobs.priority > jobs.priority
                                        OR (
                                        other_jobs.priority = jobs.priority
                                        AND other_jobs.id < jobs.id
                                        )
                                    )
                                )
                            )
                )
                AND jobs.status = 'todo'
                AND (target_queue_names IS NULL OR jobs.queue_name = ANY( target_queue_names ))
                AND (jobs.scheduled_at IS NULL OR jobs.scheduled_at <= now())
            ORDER BY jobs.priority DESC, jobs.id ASC LIMIT 1
            FOR UPDATE OF jobs SKIP LOCKED
    )
    UPDATE procrastinate_jobs
        SET status = 'doing', worker_id = p_worker_id
        FROM candidate
        WHERE procrastinate_jobs.id = candidate.id
        RETURNING procrastinate_jobs.* INTO found_jobs;

 RETURN found_jobs;
END;
$$;


--
-- Name: procrastinate_finish_job_v1(bigint, public.procrastinate_job_status, boolean); Type: FUNCTION; Schema: public; Owner: -
--

CREATE FUNCTION public.procrastinate_finish_job_v1(job_id bigint, end_status public.procrastinate_job_status, delete_job boolean) RETURNS void
    LANGUAGE plpgsql
    AS $$
DECLARE
    _job_id bigint;
BEGIN
    IF end_status NOT IN ('succeeded', 'failed', 'aborted') THEN
        RAISE 'End status should be either "succeeded", "failed" or "aborted" (job id: %)', job_id;
    END IF;
    IF delete_job THEN
        DELETE FROM procrastinate_jobs
        WHERE id = job_id AND status IN ('todo', 'doing')
        RETURNING id INTO _job_id;
    ELSE
        UPDATE procrastinate_jobs
        SET status = end_status,
            abort_requested = false,
            attempts = CASE status
                WHEN 'doing' THEN attempts + 1 ELSE attempts
            END
        WHERE id = job_id AND status IN ('todo', 'doing')
        RETURNING id INTO _job_id;
    END IF;
    IF _job_id IS NULL THEN
        RAISE 'Job was not found or not in "doing" or "todo" status (job id: %)', job_id;
    END IF;
END;
$$;


--
-- Name: procrastinate_notify_queue_abort_job_v1(); Type: FUNCTION; Schema: public; Owner: -
--

CREATE FUNCTION public.procrastinate_notify_queue_abort_job_v1() RETURNS trigger
    LANGUAGE plpgsql
    AS $$
DECLARE
    payload TEXT;
BEGIN
    SELECT json_build_object('type', 'abort_job_requested', 'job_id', NEW.id)::text INTO payload;
	PERFORM pg_notify('procrastinate_queue_v1#' || NEW.queue_name, payload);
	PERFORM pg_notify('procrastinate_any_queue_v1', payload);
	RETURN NEW;
END;
$$;


--
-- Name: procrastinate_notify_queue_job_inserted_v1(); Type: FUNCTION; Schema: public; Owner: -
--

CREATE FUNCTION public.procrastinate_notify_queue_job_inserted_v1() RETURNS trigger
    LANGUAGE plpgsql
    AS $$
DECLARE
    payload TEXT;
BEGIN
    SELECT json_build_object('type', 'job_inserted', 'job_id', NEW.id)::text INTO payload;
	PERFORM pg_notify('procrastinate_queue_v1#' || NEW.queue_name, payload);
	PERFORM pg_notify('procrastinate_any_queue_v1', payload);
	RETURN NEW;
END;
$$;


--
-- Name: procrastinate_prune_stalled_workers_v1(double precision); Type: FUNCTION; Schema: public; Owner: -
--

CREATE FUNCTION public.procrastinate_prune_stalled_workers_v1(seconds_since_heartbeat double precision) RETURNS TABLE(worker_id bigint)
    LANGUAGE plpgsql
    AS $$
BEGIN
    RETURN QUERY
    DELETE FROM procrastinate_workers
    WHERE last_heartbeat < NOW() - (seconds_since_heartbeat || 'SECOND')::INTERVAL
    RETURNING procrastinate_workers.id;
END;
$$;


--
-- Name: procrastinate_register_worker_v1(); Type: FUNCTION; Schema: public; Owner: -
--

CREATE FUNCTION public.procrastinate_register_worker_v1() RETURNS TABLE(worker_id bigint)
    LANGUAGE plpgsql
    AS $$
BEGIN
    RETURN QUERY
    INSERT INTO procrastinate_workers DEFAULT VALUES
    RETURNING procrastinate_workers.id;
END;
$$;


--
-- Name: procrastinate_retry_job_v1(bigint, timestamp with time zone, integer, character varying, character varying); Type: FUNCTION; Schema: public; Owner: -
--

CREATE FUNCTION public.procrastinate_retry_job_v1(job_id bigint, retry_at timestamp with time zone, new_priority integer, new_queue_name character varying, new_lock character varying) RETURNS void
    LANGUAGE plpgsql
    AS $$
DECLARE
    _job_id bigint;
    _abort_requested boolean;
BEGIN
    SELECT abort_requested FROM procrastinate_jobs
    WHERE id = job_id AND status = 'doing'
    FOR UPDATE
    INTO _abort_requested;
    IF _abort_requested THEN
        UPDATE procrastinate_jobs
        SET status = 'failed'::procrastinate_job_status
        WHERE id = job_id AND status = 'doing'
        RETURNING id INTO _job_id;
    ELSE
        UPDATE procrastinate_jobs
        SET status = 'todo'::procrastinate_job_status,
            attempts = attempts + 1,
            scheduled_at = retry_at,
            priority = COALESCE(new_priority, priority),
            queue_name = COALESCE(new_queue_name, queue_name),
            lock = COALESCE(new_lock, lock)
        WHERE id = job_id AND status = 'doing'
        RETURNING id INTO _job_id;
    END IF;

    IF _job_id IS NULL THEN
        RAISE 'Job was not found or not in "doing" status (job id: %)', job_id;
    END IF;
END;
$$;


--
-- Name: procrastinate_retry_job_v2(bigint, timestamp with time zone, integer, character varying, character varying); Type: FUNCTION; Schema: public; Owner: -
--

CREATE FUNCTION public.procrastinate_retry_job_v2(job_id bigint, retry_at timestamp with time zone, new_priority integer, new_queue_name character varying, new_lock character varying) RETURNS void
    LANGUAGE plpgsql
    AS $$
DECLARE
    _job_id bigint;
    _abort_requested boolean;
    _current_status procrastinate_job_status;
BEGIN
    SELECT status, abort_requested FROM procrastinate_jobs
    WHERE id = job_id AND status IN ('doing', 'failed')
    FOR UPDATE
    INTO _current_status, _abort_requested;
    IF _current_status = 'doing' AND _abort_requested THEN
        UPDATE procrastinate_jobs
        SET status = 'failed'::procrastinate_job_status
        WHERE id = job_id AND status = 'doing'
        RETURNING id INTO _job_id;
    ELSE
        UPDATE procrastinate_jobs
        SET status = 'todo'::procrastinate_job_status,
            attempts = attempts + 1,
            scheduled_at = retry_at,
            priority = COALESCE(new_priority, priority),
            queue_name = COALESCE(new_queue_name, queue_name),
            lock = COALESCE(new_lock, lock)
        WHERE id = job_id AND status IN ('doing', 'failed')
        RETURNING id INTO _job_id;
    END IF;

    IF _job_id IS NULL THEN
        RAISE 'Job was not found or has an invalid status to retry (job id: %)', job_id;
    END IF;

END;
$$;


--
-- Name: procrastinate_trigger_abort_requested_events_procedure_v1(); Type: FUNCTION; Schema: public; Owner: -
--

CREATE FUNCTION public.procrastinate_trigger_abort_requested_events_procedure_v1() RETURNS trigger
    LANGUAGE plpgsql
    AS $$
BEGIN
    INSERT INTO procrastinate_events(job_id, type)
        VALUES (NEW.id, 'abort_requested'::procrastinate_job_event_type);
    RETURN NEW;
END;
$$;


--
-- Name: procrastinate_trigger_function_scheduled_events_v1(); Type: FUNCTION; Schema: public; Owner: -
--

CREATE FUNCTION public.procrastinate_trigger_function_scheduled_events_v1() RETURNS trigger
    LANGUAGE plpgsql
    AS $$
BEGIN
    INSERT INTO procrastinate_events(job_id, type, at)
        VALUES (NEW.id, 'scheduled'::procrastinate_job_event_type, NEW.scheduled_at);

	RETURN NEW;
END;
$$;


--
-- Name: procrastinate_trigger_function_status_events_insert_v1(); Type: FUNCTION; Schema: public; Owner: -
--

CREATE FUNCTION public.procrastinate_trigger_function_status_events_insert_v1() RETURNS trigger
    LANGUAGE plpgsql
    AS $$
BEGIN
    INSERT INTO procrastinate_events(job_id, type)
        VALUES (NEW.id, 'deferred'::procrastinate_job_event_type);
	RETURN NEW;
END;
$$;


--
-- Name: procrastinate_trigger_function_status_events_update_v1(); Type: FUNCTION; Schema: public; Owner: -
--

CREATE FUNCTION public.procrastinate_trigger_function_status_events_update_v1() RETURNS trigger
    LANGUAGE plpgsql
    AS $$
BEGIN
    WITH t AS (
        SELECT CASE
            WHEN OLD.status = 'todo'::procrastinate_job_status
                AND NEW.status = 'doing'::procrastinate_job_status
                THEN 'started'::procrastinate_job_event_type
            WHEN OLD.status = 'doing'::procrastinate_job_status
                AND NEW.status = 'todo'::procrastinate_job_status
                THEN 'deferred_for_retry'::procrastinate_job_event_type
            WHEN OLD.status = 'doing'::procrastinate_job_status
                AND NEW.status = 'failed'::procrastinate_job_status
                THEN 'failed'::procrastinate_job_event_type
            WHEN OLD.status = 'doing'::procrastinate_job_status
                AND NEW.status = 'succeeded'::procrastinate_job_status
                THEN 'succeeded'::procrastinate_job_event_type
            WHEN OLD.status = 'todo'::procrastinate_job_status
                AND (
                    NEW.status = 'cancelled'::procrastinate_job_status
                    OR NEW.status = 'failed'::procrastinate_job_status
                    OR NEW.status = 'succeeded'::procrastinate_job_status
                )
                THEN 'cancelled'::procrastinate_job_event_type
            WHEN OLD.status = 'doing'::procrastinate_job_status
                AND NEW.status = 'aborted'::procrastinate_job_status
                THEN 'aborted'::procrastinate_job_event_type
            WHEN OLD.status = 'failed'::procrastinate_job_status
                AND NEW.status = 'todo'::procrastinate_job_status
                THEN 'retried'::procrastinate_job_event_type
            ELSE NULL
        END as event_type
    )
    INSERT INTO procrastinate_events(job_id, type)
        SELECT NEW.id, t.event_type
        FROM t
        WHERE t.event_type IS NOT NULL;
	RETURN NEW;
END;
$$;


--
-- Name: procrastinate_unlink_periodic_defers_v1(); Type: FUNCTION; Schema: public; Owner: -
--

CREATE FUNCTION public.procrastinate_unlink_periodic_defers_v1() RETURNS trigger
    LANGUAGE plpgsql
    AS $$
BEGIN
    UPDATE procrastinate_periodic_defers
    SET job_id = NULL
    WHERE job_id = OLD.id;
    RETURN OLD;
END;
$$;


--
-- Name: procrastinate_unregister_worker_v1(bigint); Type: FUNCTION; Schema: public; Owner: -
--

CREATE FUNCTION public.procrastinate_unregister_worker_v1(worker_id bigint) RETURNS void
    LANGUAGE plpgsql
    AS $$
BEGIN
    DELETE FROM procrastinate_workers
    WHERE id = worker_id;
END;
$$;


--
-- Name: procrastinate_update_heartbeat_v1(bigint); Type: FUNCTION; Schema: public; Owner: -
--

CREATE FUNCTION public.procrastinate_update_heartbeat_v1(worker_id bigint) RETURNS void
    LANGUAGE plpgsql
    AS $$
BEGIN
    UPDATE procrastinate_workers
    SET last_heartbeat = NOW()
    WHERE id = worker_id;
END;
$$;


--
-- Name: refuse_change(); Type: FUNCTION; Schema: public; Owner: -
--

CREATE FUNCTION public.refuse_change() RETURNS trigger
    LANGUAGE plpgsql
    AS $$
BEGIN
    RAISE EXCEPTION '% is append-only: a correction is a new row', TG_TABLE_NAME
        USING ERRCODE = 'integrity_constraint_violation';
END $$;


--
-- Name: wait_for_scores(); Type: FUNCTION; Schema: public; Owner: -
--

CREATE FUNCTION public.wait_for_scores() RETURNS trigger
    LANGUAGE plpgsql
    AS $$
BEGIN
    PERFORM 1 FROM specimen WHERE id = NEW.specimen_id FOR UPDATE;
    RETURN NEW;
END $$;


--
-- Name: write_audit(); Type: FUNCTION; Schema: public; Owner: -
--

CREATE FUNCTION public.write_audit() RETURNS trigger
    LANGUAGE plpgsql SECURITY DEFINER
    SET search_path TO 'public'
    AS $$
DECLARE
    hidden text[] := ARRAY['password_hash', 'token_sha256', 'blind_secret', 'html', 'content', 'facts', 'settings', 'motion', 'data'];
    old_row jsonb := CASE WHEN TG_OP <> 'INSERT' THEN to_jsonb(OLD) - hidden END;
    new_row jsonb := CASE WHEN TG_OP <> 'DELETE' THEN to_jsonb(NEW) - hidden END;
BEGIN
    INSERT INTO audit_entry (table_name, row_id, action, before, after, person_id)
    VALUES (TG_TABLE_NAME, COALESCE(new_row->>'id', old_row->>'id', new_row->>'sha256', new_row->>'feature_id', old_row->>'feature_id'),
            lower(TG_OP), old_row, new_row, NULLIF(current_setting('crevlo.person', true), '')::uuid);
    RETURN NULL;
END $$;


--
-- Name: alembic_version; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.alembic_version (
    version_num character varying(32) NOT NULL
);


--
-- Name: arm; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.arm (
    protocol_id uuid NOT NULL,
    "position" integer NOT NULL,
    name character varying NOT NULL,
    slicing character varying(24) NOT NULL,
    tuning character varying(24) NOT NULL,
    conditions jsonb NOT NULL,
    id uuid NOT NULL,
    CONSTRAINT ck_arm_name_length CHECK (((length((name)::text) >= 1) AND (length((name)::text) <= 60)))
);


--
-- Name: artifact; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.artifact (
    code character varying NOT NULL,
    number integer NOT NULL,
    name character varying NOT NULL,
    definition jsonb NOT NULL,
    id uuid NOT NULL,
    mesh_sha256 character varying,
    licence character varying DEFAULT ''::character varying NOT NULL,
    source character varying DEFAULT ''::character varying NOT NULL,
    added_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    CONSTRAINT ck_artifact_own_has_source CHECK (((mesh_sha256 IS NULL) OR ((length((licence)::text) > 0) AND (length((source)::text) > 0))))
);


--
-- Name: assembly_step; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.assembly_step (
    unit_id uuid NOT NULL,
    person_id uuid NOT NULL,
    name character varying NOT NULL,
    note character varying NOT NULL,
    seconds double precision NOT NULL,
    done_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    version integer NOT NULL,
    id uuid NOT NULL,
    CONSTRAINT ck_assembly_step_seconds_not_negative CHECK ((seconds >= (0)::double precision))
);


--
-- Name: audit_entry; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.audit_entry (
    id bigint NOT NULL,
    table_name character varying NOT NULL,
    row_id character varying NOT NULL,
    action character varying NOT NULL,
    before jsonb,
    after jsonb,
    person_id uuid,
    at timestamp with time zone DEFAULT clock_timestamp() NOT NULL
);


--
-- Name: audit_entry_id_seq; Type: SEQUENCE; Schema: public; Owner: -
--

ALTER TABLE public.audit_entry ALTER COLUMN id ADD GENERATED ALWAYS AS IDENTITY (
    SEQUENCE NAME public.audit_entry_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);


--
-- Name: background_work; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.background_work (
    study_id uuid NOT NULL,
    kind character varying NOT NULL,
    given jsonb NOT NULL,
    state character varying(24) NOT NULL,
    wish character varying(24) NOT NULL,
    stage character varying NOT NULL,
    share double precision NOT NULL,
    message character varying NOT NULL,
    found jsonb DEFAULT '{}'::jsonb NOT NULL,
    person_id uuid NOT NULL,
    asked_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    told_at timestamp with time zone,
    ended_at timestamp with time zone,
    id uuid NOT NULL,
    subject_id uuid,
    begun integer NOT NULL,
    CONSTRAINT ck_background_work_share_range CHECK (((share >= (0)::double precision) AND (share <= (1)::double precision))),
    CONSTRAINT ck_background_work_wish CHECK (((wish)::text = ANY ((ARRAY['go on'::character varying, 'enough'::character varying, 'cancel'::character varying])::text[]))),
    CONSTRAINT ck_background_work_workstate CHECK (((state)::text = ANY ((ARRAY['waiting'::character varying, 'running'::character varying, 'done'::character varying, 'failed'::character varying, 'cancelled'::character varying])::text[])))
);


--
-- Name: bench_rules; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.bench_rules (
    study_id uuid NOT NULL,
    rules jsonb NOT NULL,
    changed_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    version integer NOT NULL,
    id uuid NOT NULL
);


--
-- Name: box_item; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.box_item (
    unit_id uuid NOT NULL,
    name character varying NOT NULL,
    found character varying(24),
    note character varying NOT NULL,
    noted_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    version integer NOT NULL,
    id uuid NOT NULL
);


--
-- Name: buyer_profile; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.buyer_profile (
    study_id uuid NOT NULL,
    name character varying NOT NULL,
    "position" integer NOT NULL,
    weights jsonb NOT NULL,
    version integer NOT NULL,
    id uuid NOT NULL
);


--
-- Name: claim; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.claim (
    model_id uuid NOT NULL,
    kind character varying NOT NULL,
    value double precision NOT NULL,
    said character varying NOT NULL,
    noted_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    version integer NOT NULL,
    id uuid NOT NULL,
    name character varying DEFAULT ''::character varying NOT NULL,
    unit character varying DEFAULT ''::character varying NOT NULL,
    less_is_better boolean NOT NULL,
    state character varying,
    CONSTRAINT ck_claim_noise_has_state CHECK ((((kind)::text = 'noise'::text) = (state IS NOT NULL))),
    CONSTRAINT ck_claim_other_has_name CHECK ((((kind)::text = 'other'::text) = (length((name)::text) > 0)))
);


--
-- Name: client_write; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.client_write (
    id uuid NOT NULL,
    person_id uuid,
    request_hash character varying NOT NULL,
    status integer NOT NULL,
    body character varying NOT NULL,
    at timestamp with time zone DEFAULT clock_timestamp() NOT NULL
);


--
-- Name: configuration; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.configuration (
    unit_id uuid NOT NULL,
    number integer NOT NULL,
    nozzle_mm double precision NOT NULL,
    firmware character varying NOT NULL,
    plate character varying NOT NULL,
    profile_set character varying NOT NULL,
    reason character varying NOT NULL,
    opened_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    id uuid NOT NULL,
    parts character varying DEFAULT ''::character varying NOT NULL,
    accessories character varying DEFAULT ''::character varying NOT NULL,
    CONSTRAINT ck_configuration_nozzle_positive CHECK ((nozzle_mm > (0)::double precision))
);


--
-- Name: criterion; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.criterion (
    scheme_id uuid NOT NULL,
    "position" integer NOT NULL,
    code character varying NOT NULL,
    weight double precision NOT NULL,
    shape character varying NOT NULL,
    id uuid NOT NULL,
    points jsonb NOT NULL,
    CONSTRAINT ck_criterion_has_points CHECK (((jsonb_typeof(points) = 'array'::text) AND (jsonb_array_length(points) >= 2))),
    CONSTRAINT ck_criterion_weight_range CHECK (((weight >= (0)::double precision) AND (weight <= (100)::double precision)))
);


--
-- Name: defect_score; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.defect_score (
    specimen_id uuid NOT NULL,
    defect character varying NOT NULL,
    severity integer NOT NULL,
    person_id uuid NOT NULL,
    scored_at timestamp with time zone NOT NULL,
    recorded_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    supersedes_id uuid,
    reason character varying,
    id uuid NOT NULL,
    after_reveal character varying,
    CONSTRAINT ck_defect_score_correction_has_reason CHECK (((supersedes_id IS NULL) = (reason IS NULL))),
    CONSTRAINT ck_defect_score_severity_range CHECK (((severity >= 0) AND (severity <= 5)))
);


--
-- Name: deviation; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.deviation (
    study_id uuid NOT NULL,
    job_id uuid,
    what character varying NOT NULL,
    reason character varying NOT NULL,
    person_id uuid NOT NULL,
    recorded_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    id uuid NOT NULL,
    CONSTRAINT ck_deviation_has_reason CHECK (((length((reason)::text) > 0) AND (length((what)::text) > 0)))
);


--
-- Name: device; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.device (
    number integer NOT NULL,
    name character varying NOT NULL,
    kind character varying NOT NULL,
    unit_id uuid,
    instrument_id uuid,
    token_sha256 character varying NOT NULL,
    topic character varying,
    power_key character varying NOT NULL,
    counter_key character varying NOT NULL,
    time_key character varying NOT NULL,
    added_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    retired_at timestamp with time zone,
    version integer NOT NULL,
    id uuid NOT NULL,
    refused integer NOT NULL,
    refused_why character varying NOT NULL,
    refused_at timestamp with time zone,
    CONSTRAINT ck_device_name_length CHECK (((length((name)::text) >= 1) AND (length((name)::text) <= 60)))
);


--
-- Name: device_number_seq; Type: SEQUENCE; Schema: public; Owner: -
--

ALTER TABLE public.device ALTER COLUMN number ADD GENERATED ALWAYS AS IDENTITY (
    SEQUENCE NAME public.device_number_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);


--
-- Name: device_value; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.device_value (
    device integer NOT NULL,
    at timestamp with time zone NOT NULL,
    value double precision NOT NULL
);


--
-- Name: exchange_rate; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.exchange_rate (
    id uuid NOT NULL,
    base character varying NOT NULL,
    quote character varying NOT NULL,
    rate double precision NOT NULL,
    "on" date NOT NULL,
    source character varying NOT NULL,
    person_id uuid NOT NULL,
    recorded_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    CONSTRAINT ck_exchange_rate_currency_codes CHECK ((((base)::text ~ '^[A-Z]{3}$'::text) AND ((quote)::text ~ '^[A-Z]{3}$'::text) AND ((base)::text <> (quote)::text))),
    CONSTRAINT ck_exchange_rate_rate_positive CHECK (((rate > (0)::double precision) AND (rate < ('1000000000'::numeric)::double precision)))
);


--
-- Name: feature; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.feature (
    artifact_id uuid NOT NULL,
    "position" integer NOT NULL,
    code character varying NOT NULL,
    axis character varying NOT NULL,
    sense integer NOT NULL,
    nominal double precision NOT NULL,
    method character varying NOT NULL,
    id uuid NOT NULL,
    kind character varying NOT NULL,
    unit character varying DEFAULT 'mm'::character varying NOT NULL,
    ends jsonb,
    CONSTRAINT ck_feature_length_has_axis CHECK ((((kind)::text <> 'length'::text) OR ((nominal > (0)::double precision) AND ((unit)::text = 'mm'::text) AND ((axis)::text <> 'D'::text)))),
    CONSTRAINT ck_feature_nominal_not_negative CHECK ((nominal >= (0)::double precision)),
    CONSTRAINT ck_feature_sense_known CHECK ((sense = ANY (ARRAY['-1'::integer, 0, 1])))
);


--
-- Name: feature_worth; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.feature_worth (
    name character varying NOT NULL,
    worth double precision NOT NULL,
    version integer NOT NULL,
    id uuid NOT NULL,
    is_base boolean NOT NULL,
    currency character varying NOT NULL,
    CONSTRAINT ck_feature_worth_currency_code CHECK (((currency)::text ~ '^[A-Z]{3}$'::text)),
    CONSTRAINT ck_feature_worth_worth_not_negative CHECK ((worth >= (0)::double precision))
);


--
-- Name: gate; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.gate (
    profile_id uuid NOT NULL,
    kind character varying NOT NULL,
    "limit" double precision NOT NULL,
    what character varying NOT NULL,
    id uuid NOT NULL,
    at_least boolean NOT NULL,
    CONSTRAINT ck_gate_limit_not_negative CHECK (("limit" >= (0)::double precision))
);


--
-- Name: hypothesis; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.hypothesis (
    run_id uuid NOT NULL,
    claim character varying NOT NULL,
    test character varying NOT NULL,
    result character varying NOT NULL,
    ruling character varying(24) NOT NULL,
    person_id uuid NOT NULL,
    noted_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    version integer NOT NULL,
    id uuid NOT NULL
);


--
-- Name: inspection_lock; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.inspection_lock (
    specimen_id uuid NOT NULL,
    person_id uuid NOT NULL,
    locked_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    id uuid NOT NULL
);


--
-- Name: instrument; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.instrument (
    code character varying NOT NULL,
    kind character varying(24) NOT NULL,
    unit character varying NOT NULL,
    resolution double precision NOT NULL,
    u_calibration double precision NOT NULL,
    repeatability double precision NOT NULL,
    calibrated_on date,
    version integer NOT NULL,
    id uuid NOT NULL,
    certificate character varying DEFAULT ''::character varying NOT NULL,
    valid_days integer DEFAULT 365 NOT NULL,
    CONSTRAINT ck_instrument_not_negative CHECK (((resolution >= (0)::double precision) AND (u_calibration >= (0)::double precision) AND (repeatability >= (0)::double precision)))
);


--
-- Name: job; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.job (
    study_id uuid NOT NULL,
    unit_id uuid NOT NULL,
    artifact_id uuid NOT NULL,
    spool_id uuid NOT NULL,
    copy integer NOT NULL,
    "position" integer NOT NULL,
    id uuid NOT NULL,
    second_spool_id uuid,
    arm_id uuid NOT NULL,
    CONSTRAINT ck_job_copy_positive CHECK ((copy > 0))
);


--
-- Name: judgement; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.judgement (
    id uuid NOT NULL,
    specimen_id uuid NOT NULL,
    feature_id uuid,
    takes character varying NOT NULL,
    amount integer,
    verdict character varying,
    word character varying NOT NULL,
    person_id uuid NOT NULL,
    judged_at timestamp with time zone NOT NULL,
    recorded_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    supersedes_id uuid,
    reason character varying,
    after_reveal character varying,
    CONSTRAINT ck_judgement_amount_bounded CHECK (((amount >= 0) AND (amount <= 100000))),
    CONSTRAINT ck_judgement_correction_has_reason CHECK (((supersedes_id IS NULL) = (reason IS NULL))),
    CONSTRAINT ck_judgement_says_one CHECK (((amount IS NULL) <> (verdict IS NULL)))
);


--
-- Name: log_entry; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.log_entry (
    unit_id uuid NOT NULL,
    person_id uuid NOT NULL,
    kind character varying NOT NULL,
    at timestamp with time zone NOT NULL,
    hours double precision,
    words character varying NOT NULL,
    cost double precision,
    recorded_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    supersedes_id uuid,
    reason character varying,
    id uuid NOT NULL,
    currency character varying,
    CONSTRAINT ck_log_entry_correction_has_reason CHECK (((supersedes_id IS NULL) = (reason IS NULL))),
    CONSTRAINT ck_log_entry_cost_has_currency CHECK (((cost IS NULL) OR ((currency)::text ~ '^[A-Z]{3}$'::text))),
    CONSTRAINT ck_log_entry_hours_given CHECK ((((kind)::text <> 'hours'::text) OR (hours IS NOT NULL))),
    CONSTRAINT ck_log_entry_not_negative CHECK (((hours >= (0)::double precision) AND (cost >= (0)::double precision))),
    CONSTRAINT ck_log_entry_says_what CHECK ((((kind)::text = 'hours'::text) OR (length((words)::text) > 0)))
);


--
-- Name: model; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.model (
    name character varying NOT NULL,
    bed_x_mm double precision NOT NULL,
    bed_y_mm double precision NOT NULL,
    height_mm double precision NOT NULL,
    list_price double precision,
    tools integer NOT NULL,
    enclosed boolean NOT NULL,
    version integer NOT NULL,
    id uuid NOT NULL,
    sheet jsonb DEFAULT '{}'::jsonb NOT NULL,
    currency character varying NOT NULL,
    CONSTRAINT ck_model_currency_code CHECK (((currency)::text ~ '^[A-Z]{3}$'::text)),
    CONSTRAINT ck_model_name_length CHECK (((length((name)::text) >= 1) AND (length((name)::text) <= 80))),
    CONSTRAINT ck_model_price_not_negative CHECK (((list_price IS NULL) OR (list_price >= (0)::double precision))),
    CONSTRAINT ck_model_tools_range CHECK (((tools >= 1) AND (tools <= 64))),
    CONSTRAINT ck_model_volume_positive CHECK (((bed_x_mm > (0)::double precision) AND (bed_y_mm > (0)::double precision) AND (height_mm > (0)::double precision)))
);


--
-- Name: model_feature; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.model_feature (
    model_id uuid NOT NULL,
    feature_id uuid NOT NULL
);


--
-- Name: noise_reading; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.noise_reading (
    run_id uuid,
    level_db double precision NOT NULL,
    background_db double precision,
    distance_m double precision NOT NULL,
    door_shut boolean NOT NULL,
    instrument_id uuid,
    person_id uuid NOT NULL,
    taken_at timestamp with time zone NOT NULL,
    recorded_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    supersedes_id uuid,
    reason character varying,
    id uuid NOT NULL,
    state character varying DEFAULT 'printing'::character varying NOT NULL,
    fan_percent double precision,
    unit_id uuid,
    CONSTRAINT ck_noise_reading_background_range CHECK (((background_db >= (0)::double precision) AND (background_db <= (199)::double precision))),
    CONSTRAINT ck_noise_reading_correction_has_reason CHECK (((supersedes_id IS NULL) = (reason IS NULL))),
    CONSTRAINT ck_noise_reading_distance_positive CHECK ((distance_m > (0)::double precision)),
    CONSTRAINT ck_noise_reading_fan_range CHECK (((fan_percent >= (0)::double precision) AND (fan_percent <= (100)::double precision))),
    CONSTRAINT ck_noise_reading_level_range CHECK (((level_db >= (0)::double precision) AND (level_db <= (199)::double precision))),
    CONSTRAINT ck_noise_reading_of_one CHECK (((run_id IS NULL) <> (unit_id IS NULL)))
);


--
-- Name: person; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.person (
    name character varying NOT NULL,
    email character varying NOT NULL,
    role character varying(24) NOT NULL,
    password_hash character varying,
    active boolean NOT NULL,
    created_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    version integer NOT NULL,
    id uuid NOT NULL,
    CONSTRAINT ck_person_email_shape CHECK ((POSITION(('@'::text) IN (email)) > 1)),
    CONSTRAINT ck_person_name_length CHECK (((length((name)::text) >= 1) AND (length((name)::text) <= 80))),
    CONSTRAINT ck_person_role CHECK (((role)::text = ANY ((ARRAY['owner'::character varying, 'reviewer'::character varying, 'rater'::character varying, 'reader'::character varying])::text[])))
);


--
-- Name: photo; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.photo (
    subject_id uuid NOT NULL,
    sha256 character varying NOT NULL,
    width integer NOT NULL,
    height integer NOT NULL,
    caption character varying NOT NULL,
    person_id uuid NOT NULL,
    taken_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    id uuid NOT NULL,
    CONSTRAINT ck_photo_size_positive CHECK (((width > 0) AND (height > 0)))
);


--
-- Name: pin; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.pin (
    job_id uuid NOT NULL,
    study_id uuid NOT NULL,
    start_at timestamp with time zone NOT NULL,
    person_id uuid NOT NULL,
    recorded_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    id uuid NOT NULL
);


--
-- Name: power_level; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.power_level (
    device integer NOT NULL,
    step_s integer NOT NULL,
    at timestamp with time zone NOT NULL,
    samples integer NOT NULL,
    low_w real NOT NULL,
    mean_w real NOT NULL,
    high_w real NOT NULL
);


--
-- Name: power_sample; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.power_sample (
    device integer NOT NULL,
    at timestamp with time zone NOT NULL,
    power_w real,
    counter_wh double precision
)
PARTITION BY RANGE (at);


--
-- Name: print_line; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.print_line (
    arm_id uuid NOT NULL,
    "position" integer NOT NULL,
    artifact_id uuid NOT NULL,
    spool_id uuid,
    second_spool_id uuid,
    copies integer NOT NULL,
    id uuid NOT NULL,
    CONSTRAINT ck_print_line_copies_range CHECK (((copies >= 1) AND (copies <= 20))),
    CONSTRAINT ck_print_line_two_spools_differ CHECK ((second_spool_id <> spool_id))
);


--
-- Name: printer_report; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.printer_report (
    device integer NOT NULL,
    at timestamp with time zone NOT NULL,
    phase character varying NOT NULL,
    percent real,
    layer integer,
    nozzle_c real,
    bed_c real,
    message character varying NOT NULL
);


--
-- Name: procrastinate_events; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.procrastinate_events (
    id bigint NOT NULL,
    job_id bigint NOT NULL,
    type public.procrastinate_job_event_type,
    at timestamp with time zone DEFAULT now()
);


--
-- Name: procrastinate_events_id_seq; Type: SEQUENCE; Schema: public; Owner: -
--

CREATE SEQUENCE public.procrastinate_events_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1;


--
-- Name: procrastinate_events_id_seq; Type: SEQUENCE OWNED BY; Schema: public; Owner: -
--

ALTER SEQUENCE public.procrastinate_events_id_seq OWNED BY public.procrastinate_events.id;


--
-- Name: procrastinate_jobs_id_seq; Type: SEQUENCE; Schema: public; Owner: -
--

CREATE SEQUENCE public.procrastinate_jobs_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1;


--
-- Name: procrastinate_jobs_id_seq; Type: SEQUENCE OWNED BY; Schema: public; Owner: -
--

ALTER SEQUENCE public.procrastinate_jobs_id_seq OWNED BY public.procrastinate_jobs.id;


--
-- Name: procrastinate_periodic_defers; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.procrastinate_periodic_defers (
    id bigint NOT NULL,
    task_name character varying(128) NOT NULL,
    defer_timestamp bigint,
    job_id bigint,
    periodic_id character varying(128) DEFAULT ''::character varying NOT NULL
);


--
-- Name: procrastinate_periodic_defers_id_seq; Type: SEQUENCE; Schema: public; Owner: -
--

CREATE SEQUENCE public.procrastinate_periodic_defers_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1;


--
-- Name: procrastinate_periodic_defers_id_seq; Type: SEQUENCE OWNED BY; Schema: public; Owner: -
--

ALTER SEQUENCE public.procrastinate_periodic_defers_id_seq OWNED BY public.procrastinate_periodic_defers.id;


--
-- Name: procrastinate_workers; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.procrastinate_workers (
    id bigint NOT NULL,
    last_heartbeat timestamp with time zone DEFAULT now() NOT NULL
);


--
-- Name: procrastinate_workers_id_seq; Type: SEQUENCE; Schema: public; Owner: -
--

ALTER TABLE public.procrastinate_workers ALTER COLUMN id ADD GENERATED ALWAYS AS IDENTITY (
    SEQUENCE NAME public.procrastinate_workers_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);


--
-- Name: protocol; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.protocol (
    study_id uuid NOT NULL,
    number integer NOT NULL,
    repeats integer NOT NULL,
    policies jsonb NOT NULL,
    frozen_at timestamp with time zone,
    frozen_by uuid,
    freeze_recorded_at timestamp with time zone,
    version integer NOT NULL,
    id uuid NOT NULL,
    CONSTRAINT ck_protocol_frozen_by_someone CHECK (((frozen_at IS NULL) = (frozen_by IS NULL))),
    CONSTRAINT ck_protocol_repeats_range CHECK (((repeats >= 1) AND (repeats <= 10)))
);


--
-- Name: protocol_template; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.protocol_template (
    name character varying NOT NULL,
    about character varying NOT NULL,
    content jsonb NOT NULL,
    person_id uuid NOT NULL,
    saved_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    version integer NOT NULL,
    id uuid NOT NULL,
    CONSTRAINT ck_protocol_template_name_length CHECK (((length((name)::text) >= 1) AND (length((name)::text) <= 80)))
);


--
-- Name: reading; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.reading (
    specimen_id uuid NOT NULL,
    feature_id uuid NOT NULL,
    repeat integer NOT NULL,
    value double precision,
    cannot_because character varying,
    instrument_id uuid NOT NULL,
    person_id uuid NOT NULL,
    taken_at timestamp with time zone NOT NULL,
    recorded_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    supersedes_id uuid,
    reason character varying,
    id uuid NOT NULL,
    after_reveal character varying,
    note character varying,
    part_c double precision,
    CONSTRAINT ck_reading_correction_has_reason CHECK (((supersedes_id IS NULL) = (reason IS NULL))),
    CONSTRAINT ck_reading_repeat_range CHECK (((repeat >= 1) AND (repeat <= 10))),
    CONSTRAINT ck_reading_value_bounded CHECK (((value > ('-1000000000'::numeric)::double precision) AND (value < ('1000000000'::numeric)::double precision))),
    CONSTRAINT ck_reading_value_or_reason CHECK (((value IS NULL) <> (cannot_because IS NULL))),
    CONSTRAINT reading_part_c_check CHECK (((part_c >= ('-20'::integer)::double precision) AND (part_c <= (100)::double precision)))
);


--
-- Name: rejection; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.rejection (
    id uuid NOT NULL,
    specimen_id uuid NOT NULL,
    cause character varying(24) NOT NULL,
    words character varying NOT NULL,
    person_id uuid NOT NULL,
    recorded_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    supersedes_id uuid,
    reason character varying,
    CONSTRAINT ck_rejection_correction_has_reason CHECK (((supersedes_id IS NULL) = (reason IS NULL))),
    CONSTRAINT ck_rejection_says_why CHECK ((length((words)::text) > 0))
);


--
-- Name: report_revision; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.report_revision (
    study_id uuid NOT NULL,
    profile_id uuid NOT NULL,
    number integer NOT NULL,
    headline character varying NOT NULL,
    changed character varying NOT NULL,
    html character varying NOT NULL,
    data jsonb NOT NULL,
    person_id uuid NOT NULL,
    published_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    id uuid NOT NULL
);


--
-- Name: run; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.run (
    job_id uuid NOT NULL,
    attempt integer NOT NULL,
    configuration_id uuid NOT NULL,
    sliced_file_id uuid,
    unattended boolean NOT NULL,
    changed character varying NOT NULL,
    started_at timestamp with time zone NOT NULL,
    ended_at timestamp with time zone,
    outcome character varying(24),
    cause character varying(24),
    failed_at_percent double precision,
    note character varying NOT NULL,
    energy_kwh double precision,
    energy_low_kwh double precision,
    energy_high_kwh double precision,
    energy_from character varying(24),
    trace_sha256 character varying,
    instrument_id uuid,
    person_id uuid NOT NULL,
    version integer NOT NULL,
    id uuid NOT NULL,
    failed_at_layer integer,
    uses_attempt boolean NOT NULL,
    trace_columns jsonb,
    energy_u_kwh double precision,
    CONSTRAINT ck_run_attempt_positive CHECK ((attempt > 0)),
    CONSTRAINT ck_run_ended_has_outcome CHECK (((ended_at IS NULL) = (outcome IS NULL))),
    CONSTRAINT ck_run_ends_after_start CHECK (((ended_at IS NULL) OR (ended_at >= started_at))),
    CONSTRAINT ck_run_energy_has_source CHECK (((energy_kwh IS NULL) = (energy_from IS NULL))),
    CONSTRAINT ck_run_energy_range CHECK (((energy_kwh >= (0)::double precision) AND (energy_low_kwh <= energy_high_kwh))),
    CONSTRAINT ck_run_failure_has_cause CHECK ((((outcome)::text = 'failed'::text) = (cause IS NOT NULL))),
    CONSTRAINT ck_run_layer_range CHECK (((failed_at_layer >= 0) AND (failed_at_layer <= 100000))),
    CONSTRAINT ck_run_percent_range CHECK (((failed_at_percent >= (0)::double precision) AND (failed_at_percent <= (100)::double precision))),
    CONSTRAINT ck_run_says_what_changed CHECK (((attempt = 1) OR (length((changed)::text) > 0))),
    CONSTRAINT run_energy_u_kwh_check CHECK ((energy_u_kwh >= (0)::double precision))
);


--
-- Name: run_event; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.run_event (
    run_id uuid NOT NULL,
    kind character varying NOT NULL,
    at timestamp with time zone NOT NULL,
    note character varying NOT NULL,
    person_id uuid NOT NULL,
    recorded_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    supersedes_id uuid,
    reason character varying,
    id uuid NOT NULL,
    CONSTRAINT ck_run_event_correction_has_reason CHECK (((supersedes_id IS NULL) = (reason IS NULL)))
);


--
-- Name: safety_check; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.safety_check (
    unit_id uuid NOT NULL,
    kind character varying(24) NOT NULL,
    result character varying(24) NOT NULL,
    note character varying NOT NULL,
    done_by character varying NOT NULL,
    person_id uuid NOT NULL,
    done_at timestamp with time zone NOT NULL,
    recorded_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    id uuid NOT NULL,
    CONSTRAINT ck_safety_check_failure_is_described CHECK ((((result)::text = 'pass'::text) OR (length((note)::text) > 0)))
);


--
-- Name: schedule; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.schedule (
    study_id uuid NOT NULL,
    number integer NOT NULL,
    origin timestamp with time zone NOT NULL,
    tick_s integer NOT NULL,
    seed integer NOT NULL,
    rules jsonb NOT NULL,
    slots jsonb NOT NULL,
    dryings jsonb NOT NULL,
    facts jsonb NOT NULL,
    moved jsonb NOT NULL,
    person_id uuid NOT NULL,
    made_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    id uuid NOT NULL,
    CONSTRAINT ck_schedule_tick_positive CHECK ((tick_s > 0))
);


--
-- Name: scheme; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.scheme (
    study_id uuid NOT NULL,
    number integer NOT NULL,
    created_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    person_id uuid NOT NULL,
    id uuid NOT NULL
);


--
-- Name: sign_in_attempt; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.sign_in_attempt (
    email character varying NOT NULL,
    address character varying NOT NULL,
    at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    id uuid NOT NULL
);


--
-- Name: sign_in_link; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.sign_in_link (
    person_id uuid NOT NULL,
    token_hash character varying NOT NULL,
    expires_at timestamp with time zone NOT NULL,
    used_at timestamp with time zone,
    id uuid NOT NULL
);


--
-- Name: sign_in_session; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.sign_in_session (
    id uuid NOT NULL,
    person_id uuid NOT NULL,
    agent character varying NOT NULL,
    address character varying NOT NULL,
    by_link boolean NOT NULL,
    began_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    seen_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    ended_at timestamp with time zone
);


--
-- Name: sliced_file; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.sliced_file (
    job_id uuid NOT NULL,
    sha256 character varying NOT NULL,
    name character varying NOT NULL,
    facts jsonb NOT NULL,
    settings jsonb NOT NULL,
    deviations jsonb NOT NULL,
    person_id uuid NOT NULL,
    received_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    id uuid NOT NULL,
    motion jsonb,
    withdrawn_at timestamp with time zone,
    withdrawn_by uuid,
    CONSTRAINT ck_sliced_file_withdrawn_by_someone CHECK (((withdrawn_at IS NULL) = (withdrawn_by IS NULL)))
);


--
-- Name: specimen; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.specimen (
    study_id uuid NOT NULL,
    run_id uuid NOT NULL,
    blind_code character varying NOT NULL,
    "position" double precision NOT NULL,
    id uuid NOT NULL,
    bagged_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    CONSTRAINT ck_specimen_code_shape CHECK (((blind_code)::text ~ '^[ACEFHJKMNPRTWXY34679]{3}$'::text))
);


--
-- Name: spool; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.spool (
    code character varying NOT NULL,
    maker character varying NOT NULL,
    material character varying NOT NULL,
    colour character varying NOT NULL,
    diameter_mm double precision NOT NULL,
    density_g_cm3 double precision NOT NULL,
    price_per_kg double precision NOT NULL,
    dried_on date,
    version integer NOT NULL,
    id uuid NOT NULL,
    lot character varying DEFAULT ''::character varying NOT NULL,
    empty_g double precision,
    currency character varying NOT NULL,
    priced_on date,
    CONSTRAINT ck_spool_currency_code CHECK (((currency)::text ~ '^[A-Z]{3}$'::text)),
    CONSTRAINT ck_spool_price_not_negative CHECK ((price_per_kg >= (0)::double precision)),
    CONSTRAINT ck_spool_size_positive CHECK (((diameter_mm > (0)::double precision) AND (density_g_cm3 > (0)::double precision)))
);


--
-- Name: spool_entry; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.spool_entry (
    spool_id uuid NOT NULL,
    person_id uuid NOT NULL,
    kind character varying(24) NOT NULL,
    value double precision NOT NULL,
    at_c double precision,
    note character varying NOT NULL,
    at timestamp with time zone NOT NULL,
    recorded_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    id uuid NOT NULL,
    CONSTRAINT ck_spool_entry_value_not_negative CHECK ((value >= (0)::double precision))
);


--
-- Name: study; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.study (
    title character varying NOT NULL,
    question character varying NOT NULL,
    currency character varying NOT NULL,
    seed integer NOT NULL,
    created_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    revealed_at timestamp with time zone,
    tariff_per_kwh double precision NOT NULL,
    wage_per_h double precision NOT NULL,
    labour_min double precision NOT NULL,
    failed_labour_min double precision NOT NULL,
    loss_fraction double precision NOT NULL,
    life_h double precision NOT NULL,
    upkeep_per_h double precision NOT NULL,
    version integer NOT NULL,
    id uuid NOT NULL,
    blind_secret character varying NOT NULL,
    CONSTRAINT ck_study_costs_not_negative CHECK (((tariff_per_kwh >= (0)::double precision) AND (wage_per_h >= (0)::double precision) AND (labour_min >= (0)::double precision) AND (failed_labour_min >= (0)::double precision) AND (upkeep_per_h >= (0)::double precision))),
    CONSTRAINT ck_study_currency_code CHECK (((currency)::text ~ '^[A-Z]{3}$'::text)),
    CONSTRAINT ck_study_life_positive CHECK ((life_h > (0)::double precision)),
    CONSTRAINT ck_study_loss_is_a_share CHECK (((loss_fraction >= (0)::double precision) AND (loss_fraction <= (1)::double precision))),
    CONSTRAINT ck_study_title_length CHECK (((length((title)::text) >= 1) AND (length((title)::text) <= 120)))
);


--
-- Name: study_unit; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.study_unit (
    study_id uuid NOT NULL,
    unit_id uuid NOT NULL,
    is_control boolean NOT NULL,
    "position" integer NOT NULL,
    id uuid NOT NULL,
    not_recommended character varying DEFAULT ''::character varying NOT NULL
);


--
-- Name: unit; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.unit (
    model_id uuid NOT NULL,
    mark integer NOT NULL,
    serial character varying,
    obtained character varying(24),
    obtained_from character varying,
    received_on date,
    version integer NOT NULL,
    id uuid NOT NULL,
    disclosure character varying DEFAULT ''::character varying NOT NULL,
    first_power_on timestamp with time zone,
    CONSTRAINT ck_unit_mark_not_negative CHECK ((mark >= 0))
);


--
-- Name: unit_measure; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.unit_measure (
    unit_id uuid NOT NULL,
    configuration_id uuid NOT NULL,
    person_id uuid NOT NULL,
    kind character varying NOT NULL,
    value double precision NOT NULL,
    from_c double precision,
    to_c double precision,
    instrument_id uuid,
    note character varying NOT NULL,
    taken_at timestamp with time zone NOT NULL,
    recorded_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    supersedes_id uuid,
    reason character varying,
    id uuid NOT NULL,
    claim_id uuid,
    CONSTRAINT ck_unit_measure_claim_named CHECK ((((kind)::text = 'claim'::text) = (claim_id IS NOT NULL))),
    CONSTRAINT ck_unit_measure_correction_has_reason CHECK (((supersedes_id IS NULL) = (reason IS NULL)))
);


--
-- Name: unit_price; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.unit_price (
    id uuid NOT NULL,
    unit_id uuid NOT NULL,
    study_id uuid,
    price_paid double precision,
    upgrades double precision NOT NULL,
    residual double precision NOT NULL,
    day_price double precision,
    day_price_on date,
    stated_on date NOT NULL,
    person_id uuid,
    recorded_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    currency character varying NOT NULL,
    CONSTRAINT ck_unit_price_currency_code CHECK (((currency)::text ~ '^[A-Z]{3}$'::text)),
    CONSTRAINT ck_unit_price_money_not_negative CHECK (((price_paid >= (0)::double precision) AND (upgrades >= (0)::double precision) AND (residual >= (0)::double precision) AND (day_price >= (0)::double precision)))
);


--
-- Name: upload; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.upload (
    sha256 character varying NOT NULL,
    size integer NOT NULL,
    content bytea,
    received_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    CONSTRAINT ck_upload_hash_shape CHECK (((sha256)::text ~ '^[0-9a-f]{64}$'::text))
);


--
-- Name: zero_check; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.zero_check (
    instrument_id uuid NOT NULL,
    value double precision NOT NULL,
    person_id uuid NOT NULL,
    taken_at timestamp with time zone NOT NULL,
    recorded_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    id uuid NOT NULL,
    part_c double precision,
    CONSTRAINT zero_check_part_c_check CHECK (((part_c >= ('-20'::integer)::double precision) AND (part_c <= (100)::double precision)))
);


--
-- Name: procrastinate_events id; Type: DEFAULT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.procrastinate_events ALTER COLUMN id SET DEFAULT nextval('public.procrastinate_events_id_seq'::regclass);


--
-- Name: procrastinate_jobs id; Type: DEFAULT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.procrastinate_jobs ALTER COLUMN id SET DEFAULT nextval('public.procrastinate_jobs_id_seq'::regclass);


--
-- Name: procrastinate_periodic_defers id; Type: DEFAULT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.procrastinate_periodic_defers ALTER COLUMN id SET DEFAULT nextval('public.procrastinate_periodic_defers_id_seq'::regclass);


--
-- Data for Name: alembic_version; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.alembic_version (version_num) FROM stdin;
0010
\.


--
-- Data for Name: arm; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.arm (protocol_id, "position", name, slicing, tuning, conditions, id) FROM stdin;
e85504af-774c-4a93-a988-89199dc763ac	0	Stock	common	stock	{"bed_c": 60, "walls": 2, "material": null, "nozzle_c": 215, "nozzle_mm": 0.4, "temperatures": [], "infill_percent": 15, "layer_height_mm": 0.2}	003e1fda-f0df-4de6-bae5-cf5bba272a5e
\.


--
-- Data for Name: artifact; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.artifact (code, number, name, definition, id, mesh_sha256, licence, source, added_at) FROM stdin;
SB	1	Step block	{"sizes": {}, "built_in": "SB", "shelf_version": 1}	625e67ef-8349-4d17-9f85-c04b06e38674	\N			2026-11-27 07:55:53.077483+00
\.


--
-- Data for Name: assembly_step; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.assembly_step (unit_id, person_id, name, note, seconds, done_at, version, id) FROM stdin;
\.


--
-- Data for Name: audit_entry; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.audit_entry (id, table_name, row_id, action, before, after, person_id, at) FROM stdin;
1	person	15affffa-9382-4e99-8b79-7b39b13441ad	insert	\N	{"id": "15affffa-9382-4e99-8b79-7b39b13441ad", "name": "Owner", "role": "owner", "email": "owner@bench.example", "active": true, "version": 1, "created_at": "2026-11-27T07:55:51.250613+00:00"}	\N	2026-11-27 07:55:51.251652+00
2	person	8d8f9b3e-08d1-4d86-9291-3681ce165478	insert	\N	{"id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "name": "Reviewer", "role": "reviewer", "email": "reviewer@bench.example", "active": true, "version": 1, "created_at": "2026-11-27T07:55:51.666148+00:00"}	\N	2026-11-27 07:55:51.666345+00
3	person	4acbd069-a432-42c9-8a41-3c09d949ff3e	insert	\N	{"id": "4acbd069-a432-42c9-8a41-3c09d949ff3e", "name": "Rater", "role": "rater", "email": "rater@bench.example", "active": true, "version": 1, "created_at": "2026-11-27T07:55:52.063767+00:00"}	\N	2026-11-27 07:55:52.063969+00
4	person	b3301d87-8e7f-4ec2-a4aa-942d207ce25f	insert	\N	{"id": "b3301d87-8e7f-4ec2-a4aa-942d207ce25f", "name": "Reader", "role": "reader", "email": "reader@bench.example", "active": true, "version": 1, "created_at": "2026-11-27T07:55:52.533746+00:00"}	\N	2026-11-27 07:55:52.533971+00
5	person	15affffa-9382-4e99-8b79-7b39b13441ad	update	{"id": "15affffa-9382-4e99-8b79-7b39b13441ad", "name": "Owner", "role": "owner", "email": "owner@bench.example", "active": true, "version": 1, "created_at": "2026-11-27T07:55:51.250613+00:00"}	{"id": "15affffa-9382-4e99-8b79-7b39b13441ad", "name": "Owner", "role": "owner", "email": "owner@bench.example", "active": true, "version": 1, "created_at": "2026-11-27T07:55:51.250613+00:00"}	\N	2026-11-27 07:55:52.551093+00
6	person	8d8f9b3e-08d1-4d86-9291-3681ce165478	update	{"id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "name": "Reviewer", "role": "reviewer", "email": "reviewer@bench.example", "active": true, "version": 1, "created_at": "2026-11-27T07:55:51.666148+00:00"}	{"id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "name": "Reviewer", "role": "reviewer", "email": "reviewer@bench.example", "active": true, "version": 1, "created_at": "2026-11-27T07:55:51.666148+00:00"}	\N	2026-11-27 07:55:52.551168+00
7	person	4acbd069-a432-42c9-8a41-3c09d949ff3e	update	{"id": "4acbd069-a432-42c9-8a41-3c09d949ff3e", "name": "Rater", "role": "rater", "email": "rater@bench.example", "active": true, "version": 1, "created_at": "2026-11-27T07:55:52.063767+00:00"}	{"id": "4acbd069-a432-42c9-8a41-3c09d949ff3e", "name": "Rater", "role": "rater", "email": "rater@bench.example", "active": true, "version": 1, "created_at": "2026-11-27T07:55:52.063767+00:00"}	\N	2026-11-27 07:55:52.551203+00
8	person	b3301d87-8e7f-4ec2-a4aa-942d207ce25f	update	{"id": "b3301d87-8e7f-4ec2-a4aa-942d207ce25f", "name": "Reader", "role": "reader", "email": "reader@bench.example", "active": true, "version": 1, "created_at": "2026-11-27T07:55:52.533746+00:00"}	{"id": "b3301d87-8e7f-4ec2-a4aa-942d207ce25f", "name": "Reader", "role": "reader", "email": "reader@bench.example", "active": true, "version": 1, "created_at": "2026-11-27T07:55:52.533746+00:00"}	\N	2026-11-27 07:55:52.551232+00
9	model	0edb6d0e-c751-4d78-8f56-0b9fa0b2992a	insert	\N	{"id": "0edb6d0e-c751-4d78-8f56-0b9fa0b2992a", "name": "Mesa", "sheet": {"board": "", "hotend": "", "motion": "", "peak_w": null, "extruder": "", "is_round": false, "bed_max_c": null, "keep_outs": [], "top_share": 1.0, "weight_kg": null, "flow_mm3_s": null, "corner_mm_s": null, "nozzle_max_c": null, "top_speed_mm_s": null, "acceleration_mm_s2": null}, "tools": 1, "version": 1, "bed_x_mm": 220, "bed_y_mm": 220, "currency": "EUR", "enclosed": false, "height_mm": 250, "list_price": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:52.991358+00
10	model	3440f1a9-50ca-4c4a-a987-500eac43412e	insert	\N	{"id": "3440f1a9-50ca-4c4a-a987-500eac43412e", "name": "Sparrow", "sheet": {"board": "", "hotend": "", "motion": "", "peak_w": null, "extruder": "", "is_round": false, "bed_max_c": null, "keep_outs": [], "top_share": 1.0, "weight_kg": null, "flow_mm3_s": null, "corner_mm_s": null, "nozzle_max_c": null, "top_speed_mm_s": null, "acceleration_mm_s2": null}, "tools": 1, "version": 1, "bed_x_mm": 220, "bed_y_mm": 220, "currency": "EUR", "enclosed": false, "height_mm": 250, "list_price": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.003997+00
11	spool	8fedbf9a-eb4d-47a5-8aa2-1ff973357d3f	insert	\N	{"id": "8fedbf9a-eb4d-47a5-8aa2-1ff973357d3f", "lot": "", "code": "S-8fed", "maker": "Wendle Works", "colour": "moss", "empty_g": null, "version": 1, "currency": "EUR", "dried_on": null, "material": "PLA", "priced_on": "2026-11-27", "diameter_mm": 1.75, "price_per_kg": 20, "density_g_cm3": 1.24}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.012893+00
12	instrument	3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3	insert	\N	{"id": "3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3", "code": "C-98a9", "kind": "caliper", "unit": "mm", "version": 1, "resolution": 0.01, "valid_days": 365, "certificate": "", "calibrated_on": null, "repeatability": 0.01, "u_calibration": 0.01}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.021692+00
13	study	98a97c5d-f934-445d-b1cb-bf57b328b59c	insert	\N	{"id": "98a97c5d-f934-445d-b1cb-bf57b328b59c", "seed": 5, "title": "Small", "life_h": 4000, "version": 1, "currency": "EUR", "question": "Which?", "created_at": "2026-11-27T07:55:53.037364+00:00", "labour_min": 6, "wage_per_h": 18, "revealed_at": null, "upkeep_per_h": 0.05, "loss_fraction": 0.5, "tariff_per_kwh": 0.31, "failed_labour_min": 10}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.038023+00
14	protocol	e85504af-774c-4a93-a988-89199dc763ac	insert	\N	{"id": "e85504af-774c-4a93-a988-89199dc763ac", "number": 1, "repeats": 3, "version": 1, "policies": {"drying": "dried before use", "pieces": "isolating", "material": "same spool", "unattended": "after checks", "most_attempts": 3, "counted_causes": ["machine", "profile", "unknown"]}, "study_id": "98a97c5d-f934-445d-b1cb-bf57b328b59c", "frozen_at": null, "frozen_by": null, "freeze_recorded_at": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.041057+00
15	arm	080bfc07-18a8-4d54-8975-40b7fc1f9044	insert	\N	{"id": "080bfc07-18a8-4d54-8975-40b7fc1f9044", "name": "Stock", "tuning": "stock", "slicing": "common", "position": 0, "conditions": {"bed_c": 60, "walls": 2, "material": null, "nozzle_c": 215, "nozzle_mm": 0.4, "temperatures": [], "infill_percent": 15, "layer_height_mm": 0.2}, "protocol_id": "e85504af-774c-4a93-a988-89199dc763ac"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.056108+00
16	artifact	625e67ef-8349-4d17-9f85-c04b06e38674	insert	\N	{"id": "625e67ef-8349-4d17-9f85-c04b06e38674", "code": "SB", "name": "Step block", "number": 1, "source": "", "licence": "", "added_at": "2026-11-27T07:55:53.077483+00:00", "definition": {"sizes": {}, "built_in": "SB", "shelf_version": 1}, "mesh_sha256": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.078217+00
17	feature	c7c83a12-bd45-4d99-9303-4b6a9c8874de	insert	\N	{"id": "c7c83a12-bd45-4d99-9303-4b6a9c8874de", "axis": "X", "code": "X1", "ends": [[-20.0, -19.99, 9.0], [20.0, -19.99, 9.0]], "kind": "length", "unit": "mm", "sense": 1, "method": "Jaws across the left and right faces, one millimetre below the upper edge.", "nominal": 40, "position": 0, "artifact_id": "625e67ef-8349-4d17-9f85-c04b06e38674"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.087004+00
18	feature	794b8e87-1416-4e1b-a43b-0bd42e031607	insert	\N	{"id": "794b8e87-1416-4e1b-a43b-0bd42e031607", "axis": "X", "code": "X2", "ends": [[-15.0, -14.99, 24.0], [15.0, -14.99, 24.0]], "kind": "length", "unit": "mm", "sense": 1, "method": "Jaws across the left and right faces, one millimetre below the upper edge.", "nominal": 30, "position": 1, "artifact_id": "625e67ef-8349-4d17-9f85-c04b06e38674"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.087153+00
19	feature	405c8f0c-440d-449c-bc7d-bd37d201ad52	insert	\N	{"id": "405c8f0c-440d-449c-bc7d-bd37d201ad52", "axis": "X", "code": "X3", "ends": [[-8.5, -8.49, 44.0], [8.5, -8.49, 44.0]], "kind": "length", "unit": "mm", "sense": 1, "method": "Jaws across the left and right faces, one millimetre below the upper edge.", "nominal": 17, "position": 2, "artifact_id": "625e67ef-8349-4d17-9f85-c04b06e38674"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.087627+00
20	feature	67059ff3-3870-470a-8f0f-d692f815c510	insert	\N	{"id": "67059ff3-3870-470a-8f0f-d692f815c510", "axis": "Y", "code": "Y1", "ends": [[19.99, -20.0, 9.0], [19.99, 20.0, 9.0]], "kind": "length", "unit": "mm", "sense": 1, "method": "Jaws across the front and back faces, one millimetre below the upper edge.", "nominal": 40, "position": 3, "artifact_id": "625e67ef-8349-4d17-9f85-c04b06e38674"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.087713+00
21	feature	f5f0d9d1-f9b3-4341-ad0c-5e32424c047b	insert	\N	{"id": "f5f0d9d1-f9b3-4341-ad0c-5e32424c047b", "axis": "Y", "code": "Y2", "ends": [[14.99, -15.0, 24.0], [14.99, 15.0, 24.0]], "kind": "length", "unit": "mm", "sense": 1, "method": "Jaws across the front and back faces, one millimetre below the upper edge.", "nominal": 30, "position": 4, "artifact_id": "625e67ef-8349-4d17-9f85-c04b06e38674"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.087789+00
22	feature	ca2f4971-8835-4e2d-befb-eb5261d2389e	insert	\N	{"id": "ca2f4971-8835-4e2d-befb-eb5261d2389e", "axis": "Y", "code": "Y3", "ends": [[8.49, -8.5, 44.0], [8.49, 8.5, 44.0]], "kind": "length", "unit": "mm", "sense": 1, "method": "Jaws across the front and back faces, one millimetre below the upper edge.", "nominal": 17, "position": 5, "artifact_id": "625e67ef-8349-4d17-9f85-c04b06e38674"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.087901+00
23	feature	15a3b427-9bb7-46d0-bc01-8229557c544b	insert	\N	{"id": "15a3b427-9bb7-46d0-bc01-8229557c544b", "axis": "Z", "code": "Z1", "ends": [[19.99, -19.99, 0.0], [19.99, -19.99, 10.0]], "kind": "length", "unit": "mm", "sense": 1, "method": "Depth rod or jaws from the base to this step.", "nominal": 10, "position": 6, "artifact_id": "625e67ef-8349-4d17-9f85-c04b06e38674"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.087951+00
24	feature	e5144343-3e2a-435c-8d2d-fcd6643a62f0	insert	\N	{"id": "e5144343-3e2a-435c-8d2d-fcd6643a62f0", "axis": "Z", "code": "Z2", "ends": [[14.99, -14.99, 0.0], [14.99, -14.99, 25.0]], "kind": "length", "unit": "mm", "sense": 1, "method": "Depth rod or jaws from the base to this step.", "nominal": 25, "position": 7, "artifact_id": "625e67ef-8349-4d17-9f85-c04b06e38674"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.087991+00
25	feature	ab725912-f6d7-456f-bf15-4b8511a3b78f	insert	\N	{"id": "ab725912-f6d7-456f-bf15-4b8511a3b78f", "axis": "Z", "code": "Z3", "ends": [[8.49, -8.49, 0.0], [8.49, -8.49, 45.0]], "kind": "length", "unit": "mm", "sense": 1, "method": "Depth rod or jaws from the base to this step.", "nominal": 45, "position": 8, "artifact_id": "625e67ef-8349-4d17-9f85-c04b06e38674"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.088029+00
26	feature	71728d5d-3e9b-482d-a17b-7ec74696f696	insert	\N	{"id": "71728d5d-3e9b-482d-a17b-7ec74696f696", "axis": "X", "code": "DX", "ends": [[-4.0, 0.0, 44.99], [4.0, 0.0, 44.99]], "kind": "length", "unit": "mm", "sense": -1, "method": "Inside jaws in the hole, along X. Take the largest reading.", "nominal": 8, "position": 9, "artifact_id": "625e67ef-8349-4d17-9f85-c04b06e38674"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.088067+00
27	feature	f958e932-1de9-463e-9cc1-469ac5d01478	insert	\N	{"id": "f958e932-1de9-463e-9cc1-469ac5d01478", "axis": "Y", "code": "DY", "ends": [[0.0, -4.0, 44.99], [0.0, 4.0, 44.99]], "kind": "length", "unit": "mm", "sense": -1, "method": "Inside jaws in the hole, along Y. Take the largest reading.", "nominal": 8, "position": 10, "artifact_id": "625e67ef-8349-4d17-9f85-c04b06e38674"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.088104+00
28	print_line	acbe9813-11ce-4844-b6d5-74f9206abe97	insert	\N	{"id": "acbe9813-11ce-4844-b6d5-74f9206abe97", "arm_id": "080bfc07-18a8-4d54-8975-40b7fc1f9044", "copies": 3, "position": 0, "spool_id": null, "artifact_id": "625e67ef-8349-4d17-9f85-c04b06e38674", "second_spool_id": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.091583+00
29	buyer_profile	ca028171-c00f-47aa-bd55-97c829dec40b	insert	\N	{"id": "ca028171-c00f-47aa-bd55-97c829dec40b", "name": "Any buyer", "version": 1, "weights": {}, "position": 0, "study_id": "98a97c5d-f934-445d-b1cb-bf57b328b59c"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.099239+00
30	scheme	abd03a45-cb51-4bed-b20e-8c4ecfc18c3b	insert	\N	{"id": "abd03a45-cb51-4bed-b20e-8c4ecfc18c3b", "number": 1, "study_id": "98a97c5d-f934-445d-b1cb-bf57b328b59c", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "created_at": "2026-11-27T07:55:53.100693+00:00"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.101406+00
31	criterion	1a7e0e14-e8ac-4e6e-a1f9-3cb9ca1c2f73	insert	\N	{"id": "1a7e0e14-e8ac-4e6e-a1f9-3cb9ca1c2f73", "code": "off.mean", "shape": "linear", "points": [[0.2, 0], [0.02, 100]], "weight": 12.5, "position": 0, "scheme_id": "abd03a45-cb51-4bed-b20e-8c4ecfc18c3b"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.104921+00
32	criterion	617524bb-7cc0-4fdf-bd61-79ac4336f9ee	insert	\N	{"id": "617524bb-7cc0-4fdf-bd61-79ac4336f9ee", "code": "repeatability", "shape": "linear", "points": [[0.08, 0], [0.01, 100]], "weight": 12.5, "position": 1, "scheme_id": "abd03a45-cb51-4bed-b20e-8c4ecfc18c3b"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.105054+00
33	criterion	bea1b57c-7cac-4a42-8a4a-69684eb642c5	insert	\N	{"id": "bea1b57c-7cac-4a42-8a4a-69684eb642c5", "code": "defects", "shape": "linear", "points": [[50, 0], [100, 100]], "weight": 12.5, "position": 2, "scheme_id": "abd03a45-cb51-4bed-b20e-8c4ecfc18c3b"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.105143+00
34	criterion	db48efb8-b09f-41ec-98fe-23d2f53fe0fc	insert	\N	{"id": "db48efb8-b09f-41ec-98fe-23d2f53fe0fc", "code": "success", "shape": "linear", "points": [[0.4, 0], [1.0, 100]], "weight": 12.5, "position": 3, "scheme_id": "abd03a45-cb51-4bed-b20e-8c4ecfc18c3b"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.105218+00
35	criterion	3a4c8081-1096-4f13-8f64-c6a7cf0302f4	insert	\N	{"id": "3a4c8081-1096-4f13-8f64-c6a7cf0302f4", "code": "time", "shape": "linear", "points": [[2.0, 0], [0.5, 100]], "weight": 12.5, "position": 4, "scheme_id": "abd03a45-cb51-4bed-b20e-8c4ecfc18c3b"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.105288+00
36	criterion	ba05e94b-914c-4c93-951c-3ae3e52b2833	insert	\N	{"id": "ba05e94b-914c-4c93-951c-3ae3e52b2833", "code": "cost", "shape": "linear", "points": [[6.0, 0], [1.0, 100]], "weight": 12.5, "position": 5, "scheme_id": "abd03a45-cb51-4bed-b20e-8c4ecfc18c3b"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.105413+00
37	criterion	6a8f7902-e6b9-4069-9f88-1073eeac3dfb	insert	\N	{"id": "6a8f7902-e6b9-4069-9f88-1073eeac3dfb", "code": "energy", "shape": "linear", "points": [[0.3, 0], [0.05, 100]], "weight": 12.5, "position": 6, "scheme_id": "abd03a45-cb51-4bed-b20e-8c4ecfc18c3b"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.105458+00
38	criterion	bede4175-7857-45f9-9580-2c41b0e38562	insert	\N	{"id": "bede4175-7857-45f9-9580-2c41b0e38562", "code": "noise", "shape": "linear", "points": [[65, 0], [40, 100]], "weight": 12.5, "position": 7, "scheme_id": "abd03a45-cb51-4bed-b20e-8c4ecfc18c3b"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.105496+00
39	gate	4bffae99-0c2d-4a65-a446-03bef9e92182	insert	\N	{"id": "4bffae99-0c2d-4a65-a446-03bef9e92182", "kind": "safety", "what": "", "limit": 0, "at_least": false, "profile_id": "ca028171-c00f-47aa-bd55-97c829dec40b"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.109218+00
40	study	98a97c5d-f934-445d-b1cb-bf57b328b59c	update	{"id": "98a97c5d-f934-445d-b1cb-bf57b328b59c", "seed": 5, "title": "Small", "life_h": 4000, "version": 1, "currency": "EUR", "question": "Which?", "created_at": "2026-11-27T07:55:53.037364+00:00", "labour_min": 6, "wage_per_h": 18, "revealed_at": null, "upkeep_per_h": 0.05, "loss_fraction": 0.5, "tariff_per_kwh": 0.31, "failed_labour_min": 10}	{"id": "98a97c5d-f934-445d-b1cb-bf57b328b59c", "seed": 5, "title": "Small", "life_h": 4000, "version": 2, "currency": "EUR", "question": "Which?", "created_at": "2026-11-27T07:55:53.037364+00:00", "labour_min": 6, "wage_per_h": 18, "revealed_at": null, "upkeep_per_h": 0.05, "loss_fraction": 0.5, "tariff_per_kwh": 0.31, "failed_labour_min": 10}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.624273+00
41	unit	d98f20c1-9a5a-4ed9-bd0d-c6f6adecb507	insert	\N	{"id": "d98f20c1-9a5a-4ed9-bd0d-c6f6adecb507", "mark": 0, "serial": null, "version": 1, "model_id": "0edb6d0e-c751-4d78-8f56-0b9fa0b2992a", "obtained": null, "disclosure": "", "received_on": null, "obtained_from": null, "first_power_on": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.643448+00
42	configuration	d6767b92-5478-428a-9c7b-e5e179299ffd	insert	\N	{"id": "d6767b92-5478-428a-9c7b-e5e179299ffd", "parts": "", "plate": "as delivered", "number": 1, "reason": "as delivered", "unit_id": "d98f20c1-9a5a-4ed9-bd0d-c6f6adecb507", "firmware": "as delivered", "nozzle_mm": 0.4, "opened_at": "2026-11-27T07:55:53.646113+00:00", "accessories": "", "profile_set": "maker's stock"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.64677+00
43	unit	8380a138-3770-44a9-90a5-ec9018a29770	insert	\N	{"id": "8380a138-3770-44a9-90a5-ec9018a29770", "mark": 1, "serial": null, "version": 1, "model_id": "3440f1a9-50ca-4c4a-a987-500eac43412e", "obtained": null, "disclosure": "", "received_on": null, "obtained_from": null, "first_power_on": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.658303+00
44	configuration	42a01b47-7728-42fc-95dd-918e3d7849eb	insert	\N	{"id": "42a01b47-7728-42fc-95dd-918e3d7849eb", "parts": "", "plate": "as delivered", "number": 1, "reason": "as delivered", "unit_id": "8380a138-3770-44a9-90a5-ec9018a29770", "firmware": "as delivered", "nozzle_mm": 0.4, "opened_at": "2026-11-27T07:55:53.659822+00:00", "accessories": "", "profile_set": "maker's stock"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.660025+00
45	study_unit	c2cf713f-fc90-433b-8260-cb3da728ef53	insert	\N	{"id": "c2cf713f-fc90-433b-8260-cb3da728ef53", "unit_id": "d98f20c1-9a5a-4ed9-bd0d-c6f6adecb507", "position": 0, "study_id": "98a97c5d-f934-445d-b1cb-bf57b328b59c", "is_control": false, "not_recommended": ""}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.664543+00
46	study_unit	932c0b13-d35d-4cbc-9d1b-92f78057dd81	insert	\N	{"id": "932c0b13-d35d-4cbc-9d1b-92f78057dd81", "unit_id": "8380a138-3770-44a9-90a5-ec9018a29770", "position": 1, "study_id": "98a97c5d-f934-445d-b1cb-bf57b328b59c", "is_control": false, "not_recommended": ""}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.664705+00
47	print_line	acbe9813-11ce-4844-b6d5-74f9206abe97	delete	{"id": "acbe9813-11ce-4844-b6d5-74f9206abe97", "arm_id": "080bfc07-18a8-4d54-8975-40b7fc1f9044", "copies": 3, "position": 0, "spool_id": null, "artifact_id": "625e67ef-8349-4d17-9f85-c04b06e38674", "second_spool_id": null}	\N	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.680252+00
48	arm	080bfc07-18a8-4d54-8975-40b7fc1f9044	delete	{"id": "080bfc07-18a8-4d54-8975-40b7fc1f9044", "name": "Stock", "tuning": "stock", "slicing": "common", "position": 0, "conditions": {"bed_c": 60, "walls": 2, "material": null, "nozzle_c": 215, "nozzle_mm": 0.4, "temperatures": [], "infill_percent": 15, "layer_height_mm": 0.2}, "protocol_id": "e85504af-774c-4a93-a988-89199dc763ac"}	\N	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.681544+00
49	arm	003e1fda-f0df-4de6-bae5-cf5bba272a5e	insert	\N	{"id": "003e1fda-f0df-4de6-bae5-cf5bba272a5e", "name": "Stock", "tuning": "stock", "slicing": "common", "position": 0, "conditions": {"bed_c": 60, "walls": 2, "material": null, "nozzle_c": 215, "nozzle_mm": 0.4, "temperatures": [], "infill_percent": 15, "layer_height_mm": 0.2}, "protocol_id": "e85504af-774c-4a93-a988-89199dc763ac"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.686311+00
50	print_line	64ae556f-1ced-4b94-a1c1-40375a9f5edc	insert	\N	{"id": "64ae556f-1ced-4b94-a1c1-40375a9f5edc", "arm_id": "003e1fda-f0df-4de6-bae5-cf5bba272a5e", "copies": 1, "position": 0, "spool_id": "8fedbf9a-eb4d-47a5-8aa2-1ff973357d3f", "artifact_id": "625e67ef-8349-4d17-9f85-c04b06e38674", "second_spool_id": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.691431+00
51	protocol	e85504af-774c-4a93-a988-89199dc763ac	update	{"id": "e85504af-774c-4a93-a988-89199dc763ac", "number": 1, "repeats": 3, "version": 1, "policies": {"drying": "dried before use", "pieces": "isolating", "material": "same spool", "unattended": "after checks", "most_attempts": 3, "counted_causes": ["machine", "profile", "unknown"]}, "study_id": "98a97c5d-f934-445d-b1cb-bf57b328b59c", "frozen_at": null, "frozen_by": null, "freeze_recorded_at": null}	{"id": "e85504af-774c-4a93-a988-89199dc763ac", "number": 1, "repeats": 1, "version": 2, "policies": {"drying": "dried before use", "pieces": "isolating", "material": "same spool", "unattended": "after checks", "most_attempts": 3, "counted_causes": ["machine", "profile", "unknown"]}, "study_id": "98a97c5d-f934-445d-b1cb-bf57b328b59c", "frozen_at": null, "frozen_by": null, "freeze_recorded_at": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.693067+00
52	job	dfe75c65-fbc7-4e42-b2b8-c03457f5fb3f	insert	\N	{"id": "dfe75c65-fbc7-4e42-b2b8-c03457f5fb3f", "copy": 1, "arm_id": "003e1fda-f0df-4de6-bae5-cf5bba272a5e", "unit_id": "8380a138-3770-44a9-90a5-ec9018a29770", "position": 0, "spool_id": "8fedbf9a-eb4d-47a5-8aa2-1ff973357d3f", "study_id": "98a97c5d-f934-445d-b1cb-bf57b328b59c", "artifact_id": "625e67ef-8349-4d17-9f85-c04b06e38674", "second_spool_id": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.749235+00
53	job	f4e7395c-f2c4-4bf5-9cce-6fe129b9f194	insert	\N	{"id": "f4e7395c-f2c4-4bf5-9cce-6fe129b9f194", "copy": 1, "arm_id": "003e1fda-f0df-4de6-bae5-cf5bba272a5e", "unit_id": "d98f20c1-9a5a-4ed9-bd0d-c6f6adecb507", "position": 1, "spool_id": "8fedbf9a-eb4d-47a5-8aa2-1ff973357d3f", "study_id": "98a97c5d-f934-445d-b1cb-bf57b328b59c", "artifact_id": "625e67ef-8349-4d17-9f85-c04b06e38674", "second_spool_id": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.749527+00
54	protocol	e85504af-774c-4a93-a988-89199dc763ac	update	{"id": "e85504af-774c-4a93-a988-89199dc763ac", "number": 1, "repeats": 1, "version": 2, "policies": {"drying": "dried before use", "pieces": "isolating", "material": "same spool", "unattended": "after checks", "most_attempts": 3, "counted_causes": ["machine", "profile", "unknown"]}, "study_id": "98a97c5d-f934-445d-b1cb-bf57b328b59c", "frozen_at": null, "frozen_by": null, "freeze_recorded_at": null}	{"id": "e85504af-774c-4a93-a988-89199dc763ac", "number": 1, "repeats": 1, "version": 3, "policies": {"drying": "dried before use", "pieces": "isolating", "material": "same spool", "unattended": "after checks", "most_attempts": 3, "counted_causes": ["machine", "profile", "unknown"]}, "study_id": "98a97c5d-f934-445d-b1cb-bf57b328b59c", "frozen_at": "2026-11-18T07:55:53.730916+00:00", "frozen_by": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "freeze_recorded_at": "2026-11-27T07:55:53.746497+00:00"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.75103+00
55	unit	d98f20c1-9a5a-4ed9-bd0d-c6f6adecb507	update	{"id": "d98f20c1-9a5a-4ed9-bd0d-c6f6adecb507", "mark": 0, "serial": null, "version": 1, "model_id": "0edb6d0e-c751-4d78-8f56-0b9fa0b2992a", "obtained": null, "disclosure": "", "received_on": null, "obtained_from": null, "first_power_on": null}	{"id": "d98f20c1-9a5a-4ed9-bd0d-c6f6adecb507", "mark": 0, "serial": null, "version": 2, "model_id": "0edb6d0e-c751-4d78-8f56-0b9fa0b2992a", "obtained": "bought", "disclosure": "", "received_on": null, "obtained_from": null, "first_power_on": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.814687+00
56	unit_price	0cb987b0-ab06-4d5f-84b1-2f0334d5a6f1	insert	\N	{"id": "0cb987b0-ab06-4d5f-84b1-2f0334d5a6f1", "unit_id": "d98f20c1-9a5a-4ed9-bd0d-c6f6adecb507", "currency": "EUR", "residual": 0, "study_id": "98a97c5d-f934-445d-b1cb-bf57b328b59c", "upgrades": 0, "day_price": null, "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "stated_on": "2026-11-27", "price_paid": 400, "recorded_at": "2026-11-27T07:55:53.82662+00:00", "day_price_on": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.827446+00
57	safety_check	3e826b99-2241-4cd9-b15e-95aa1e85efeb	insert	\N	{"id": "3e826b99-2241-4cd9-b15e-95aa1e85efeb", "kind": "mains", "note": "", "result": "pass", "done_at": "2026-11-19T07:55:53.843332+00:00", "done_by": "Somebody", "unit_id": "d98f20c1-9a5a-4ed9-bd0d-c6f6adecb507", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "recorded_at": "2026-11-27T07:55:53.852084+00:00"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.852809+00
58	safety_check	91c01feb-7c08-4d8d-93ae-eabe41ef7830	insert	\N	{"id": "91c01feb-7c08-4d8d-93ae-eabe41ef7830", "kind": "cables", "note": "", "result": "pass", "done_at": "2026-11-19T07:55:53.843332+00:00", "done_by": "Somebody", "unit_id": "d98f20c1-9a5a-4ed9-bd0d-c6f6adecb507", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "recorded_at": "2026-11-27T07:55:53.852271+00:00"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.853001+00
59	safety_check	e63b9077-fbb9-4292-be00-e4d39e885941	insert	\N	{"id": "e63b9077-fbb9-4292-be00-e4d39e885941", "kind": "earth", "note": "", "result": "pass", "done_at": "2026-11-19T07:55:53.843332+00:00", "done_by": "An electrician", "unit_id": "d98f20c1-9a5a-4ed9-bd0d-c6f6adecb507", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "recorded_at": "2026-11-27T07:55:53.852278+00:00"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.853106+00
60	safety_check	848ec303-e9d4-4691-b9cb-ed7084e9af83	insert	\N	{"id": "848ec303-e9d4-4691-b9cb-ed7084e9af83", "kind": "runaway", "note": "", "result": "pass", "done_at": "2026-11-19T07:55:53.843332+00:00", "done_by": "Somebody", "unit_id": "d98f20c1-9a5a-4ed9-bd0d-c6f6adecb507", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "recorded_at": "2026-11-27T07:55:53.852282+00:00"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.853202+00
61	safety_check	bb23393e-2114-4af9-a388-a8102f28158f	insert	\N	{"id": "bb23393e-2114-4af9-a388-a8102f28158f", "kind": "stop", "note": "", "result": "pass", "done_at": "2026-11-19T07:55:53.843332+00:00", "done_by": "Somebody", "unit_id": "d98f20c1-9a5a-4ed9-bd0d-c6f6adecb507", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "recorded_at": "2026-11-27T07:55:53.852286+00:00"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.853296+00
62	safety_check	cdd81665-c418-480c-9e63-c84f9a8699c8	insert	\N	{"id": "cdd81665-c418-480c-9e63-c84f9a8699c8", "kind": "screws", "note": "", "result": "pass", "done_at": "2026-11-19T07:55:53.843332+00:00", "done_by": "Somebody", "unit_id": "d98f20c1-9a5a-4ed9-bd0d-c6f6adecb507", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "recorded_at": "2026-11-27T07:55:53.852289+00:00"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.853401+00
63	unit	8380a138-3770-44a9-90a5-ec9018a29770	update	{"id": "8380a138-3770-44a9-90a5-ec9018a29770", "mark": 1, "serial": null, "version": 1, "model_id": "3440f1a9-50ca-4c4a-a987-500eac43412e", "obtained": null, "disclosure": "", "received_on": null, "obtained_from": null, "first_power_on": null}	{"id": "8380a138-3770-44a9-90a5-ec9018a29770", "mark": 1, "serial": null, "version": 2, "model_id": "3440f1a9-50ca-4c4a-a987-500eac43412e", "obtained": "bought", "disclosure": "", "received_on": null, "obtained_from": null, "first_power_on": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.875143+00
64	unit_price	f8dde086-a1ae-4624-9a91-e51c991ff443	insert	\N	{"id": "f8dde086-a1ae-4624-9a91-e51c991ff443", "unit_id": "8380a138-3770-44a9-90a5-ec9018a29770", "currency": "EUR", "residual": 0, "study_id": "98a97c5d-f934-445d-b1cb-bf57b328b59c", "upgrades": 0, "day_price": null, "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "stated_on": "2026-11-27", "price_paid": 400, "recorded_at": "2026-11-27T07:55:53.881271+00:00", "day_price_on": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.881581+00
65	safety_check	39f19a46-9ec8-4fb6-ac31-ce33ca244d7a	insert	\N	{"id": "39f19a46-9ec8-4fb6-ac31-ce33ca244d7a", "kind": "mains", "note": "", "result": "pass", "done_at": "2026-11-19T07:55:53.894564+00:00", "done_by": "Somebody", "unit_id": "8380a138-3770-44a9-90a5-ec9018a29770", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "recorded_at": "2026-11-27T07:55:53.902411+00:00"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.90262+00
66	safety_check	27840336-78fb-40b8-8b16-17a7c97971b7	insert	\N	{"id": "27840336-78fb-40b8-8b16-17a7c97971b7", "kind": "cables", "note": "", "result": "pass", "done_at": "2026-11-19T07:55:53.894564+00:00", "done_by": "Somebody", "unit_id": "8380a138-3770-44a9-90a5-ec9018a29770", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "recorded_at": "2026-11-27T07:55:53.902456+00:00"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.902689+00
67	safety_check	e413ccbf-b515-4067-a95c-251a4694d0d9	insert	\N	{"id": "e413ccbf-b515-4067-a95c-251a4694d0d9", "kind": "earth", "note": "", "result": "pass", "done_at": "2026-11-19T07:55:53.894564+00:00", "done_by": "An electrician", "unit_id": "8380a138-3770-44a9-90a5-ec9018a29770", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "recorded_at": "2026-11-27T07:55:53.902471+00:00"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.902736+00
68	safety_check	746f771d-3f58-4e9f-814b-84b163ee75a8	insert	\N	{"id": "746f771d-3f58-4e9f-814b-84b163ee75a8", "kind": "runaway", "note": "", "result": "pass", "done_at": "2026-11-19T07:55:53.894564+00:00", "done_by": "Somebody", "unit_id": "8380a138-3770-44a9-90a5-ec9018a29770", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "recorded_at": "2026-11-27T07:55:53.902475+00:00"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.902847+00
69	safety_check	b6aaa8da-5160-4eae-800e-8f6b9e65191b	insert	\N	{"id": "b6aaa8da-5160-4eae-800e-8f6b9e65191b", "kind": "stop", "note": "", "result": "pass", "done_at": "2026-11-19T07:55:53.894564+00:00", "done_by": "Somebody", "unit_id": "8380a138-3770-44a9-90a5-ec9018a29770", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "recorded_at": "2026-11-27T07:55:53.902479+00:00"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.902906+00
70	safety_check	5da738d5-2dcc-4392-9201-1c4f873d46a1	insert	\N	{"id": "5da738d5-2dcc-4392-9201-1c4f873d46a1", "kind": "screws", "note": "", "result": "pass", "done_at": "2026-11-19T07:55:53.894564+00:00", "done_by": "Somebody", "unit_id": "8380a138-3770-44a9-90a5-ec9018a29770", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "recorded_at": "2026-11-27T07:55:53.902483+00:00"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.902956+00
71	upload	661df75def1cee0d4877925ef9ccb489d956db91cec95ef9a6ec96f77873a992	insert	\N	{"size": 37152, "sha256": "661df75def1cee0d4877925ef9ccb489d956db91cec95ef9a6ec96f77873a992", "received_at": "2026-11-27T07:55:53.956801+00:00"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.958071+00
72	sliced_file	2bc388e5-803d-458c-ac6d-bc65832431a9	insert	\N	{"id": "2bc388e5-803d-458c-ac6d-bc65832431a9", "name": "a.gcode", "job_id": "dfe75c65-fbc7-4e42-b2b8-c03457f5fb3f", "sha256": "661df75def1cee0d4877925ef9ccb489d956db91cec95ef9a6ec96f77873a992", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "deviations": [], "received_at": "2026-11-27T07:55:54.416408+00:00", "withdrawn_at": null, "withdrawn_by": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:54.417685+00
73	run	1ceb6e32-447e-4e99-885e-2768796e2865	insert	\N	{"id": "1ceb6e32-447e-4e99-885e-2768796e2865", "note": "", "cause": null, "job_id": "dfe75c65-fbc7-4e42-b2b8-c03457f5fb3f", "attempt": 1, "changed": "", "outcome": null, "version": 1, "ended_at": null, "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "energy_kwh": null, "started_at": "2026-11-20T12:55:53.917294+00:00", "unattended": false, "energy_from": null, "energy_u_kwh": null, "trace_sha256": null, "uses_attempt": true, "instrument_id": null, "trace_columns": null, "energy_low_kwh": null, "sliced_file_id": "2bc388e5-803d-458c-ac6d-bc65832431a9", "energy_high_kwh": null, "failed_at_layer": null, "configuration_id": "42a01b47-7728-42fc-95dd-918e3d7849eb", "failed_at_percent": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:54.478538+00
74	run	1ceb6e32-447e-4e99-885e-2768796e2865	update	{"id": "1ceb6e32-447e-4e99-885e-2768796e2865", "note": "", "cause": null, "job_id": "dfe75c65-fbc7-4e42-b2b8-c03457f5fb3f", "attempt": 1, "changed": "", "outcome": null, "version": 1, "ended_at": null, "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "energy_kwh": null, "started_at": "2026-11-20T12:55:53.917294+00:00", "unattended": false, "energy_from": null, "energy_u_kwh": null, "trace_sha256": null, "uses_attempt": true, "instrument_id": null, "trace_columns": null, "energy_low_kwh": null, "sliced_file_id": "2bc388e5-803d-458c-ac6d-bc65832431a9", "energy_high_kwh": null, "failed_at_layer": null, "configuration_id": "42a01b47-7728-42fc-95dd-918e3d7849eb", "failed_at_percent": null}	{"id": "1ceb6e32-447e-4e99-885e-2768796e2865", "note": "", "cause": null, "job_id": "dfe75c65-fbc7-4e42-b2b8-c03457f5fb3f", "attempt": 1, "changed": "", "outcome": null, "version": 2, "ended_at": null, "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "energy_kwh": 0.1, "started_at": "2026-11-20T12:55:53.917294+00:00", "unattended": false, "energy_from": "meter", "energy_u_kwh": 0, "trace_sha256": null, "uses_attempt": true, "instrument_id": null, "trace_columns": null, "energy_low_kwh": 0.1, "sliced_file_id": "2bc388e5-803d-458c-ac6d-bc65832431a9", "energy_high_kwh": 0.1, "failed_at_layer": null, "configuration_id": "42a01b47-7728-42fc-95dd-918e3d7849eb", "failed_at_percent": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:54.542243+00
75	noise_reading	73cd7e70-2929-400c-b98c-2de27b0e3e22	insert	\N	{"id": "73cd7e70-2929-400c-b98c-2de27b0e3e22", "state": "printing", "reason": null, "run_id": "1ceb6e32-447e-4e99-885e-2768796e2865", "unit_id": null, "level_db": 50, "taken_at": "2026-11-20T13:00:53.917294+00:00", "door_shut": true, "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "distance_m": 1, "fan_percent": null, "recorded_at": "2026-11-27T07:55:54.595339+00:00", "background_db": 20, "instrument_id": null, "supersedes_id": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:54.59631+00
76	run	1ceb6e32-447e-4e99-885e-2768796e2865	update	{"id": "1ceb6e32-447e-4e99-885e-2768796e2865", "note": "", "cause": null, "job_id": "dfe75c65-fbc7-4e42-b2b8-c03457f5fb3f", "attempt": 1, "changed": "", "outcome": null, "version": 2, "ended_at": null, "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "energy_kwh": 0.1, "started_at": "2026-11-20T12:55:53.917294+00:00", "unattended": false, "energy_from": "meter", "energy_u_kwh": 0, "trace_sha256": null, "uses_attempt": true, "instrument_id": null, "trace_columns": null, "energy_low_kwh": 0.1, "sliced_file_id": "2bc388e5-803d-458c-ac6d-bc65832431a9", "energy_high_kwh": 0.1, "failed_at_layer": null, "configuration_id": "42a01b47-7728-42fc-95dd-918e3d7849eb", "failed_at_percent": null}	{"id": "1ceb6e32-447e-4e99-885e-2768796e2865", "note": "", "cause": null, "job_id": "dfe75c65-fbc7-4e42-b2b8-c03457f5fb3f", "attempt": 1, "changed": "", "outcome": "done", "version": 3, "ended_at": "2026-11-20T13:55:53.917294+00:00", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "energy_kwh": 0.1, "started_at": "2026-11-20T12:55:53.917294+00:00", "unattended": false, "energy_from": "meter", "energy_u_kwh": 0, "trace_sha256": null, "uses_attempt": true, "instrument_id": null, "trace_columns": null, "energy_low_kwh": 0.1, "sliced_file_id": "2bc388e5-803d-458c-ac6d-bc65832431a9", "energy_high_kwh": 0.1, "failed_at_layer": null, "configuration_id": "42a01b47-7728-42fc-95dd-918e3d7849eb", "failed_at_percent": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:54.643257+00
77	specimen	8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2	insert	\N	{"id": "8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2", "run_id": "1ceb6e32-447e-4e99-885e-2768796e2865", "position": 0.9412104415104131, "study_id": "98a97c5d-f934-445d-b1cb-bf57b328b59c", "bagged_at": "2026-11-27T07:55:54.650711+00:00", "blind_code": "3E9"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:54.651448+00
78	sliced_file	2272717b-a9d6-4955-b1ff-a8d1ad0cde66	insert	\N	{"id": "2272717b-a9d6-4955-b1ff-a8d1ad0cde66", "name": "a.gcode", "job_id": "f4e7395c-f2c4-4bf5-9cce-6fe129b9f194", "sha256": "661df75def1cee0d4877925ef9ccb489d956db91cec95ef9a6ec96f77873a992", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "deviations": [], "received_at": "2026-11-27T07:55:54.713458+00:00", "withdrawn_at": null, "withdrawn_by": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:54.714137+00
79	run	ac4d9a48-aad7-44fc-a7e5-c14e7282498e	insert	\N	{"id": "ac4d9a48-aad7-44fc-a7e5-c14e7282498e", "note": "", "cause": null, "job_id": "f4e7395c-f2c4-4bf5-9cce-6fe129b9f194", "attempt": 1, "changed": "", "outcome": null, "version": 1, "ended_at": null, "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "energy_kwh": null, "started_at": "2026-11-20T17:55:53.917294+00:00", "unattended": false, "energy_from": null, "energy_u_kwh": null, "trace_sha256": null, "uses_attempt": true, "instrument_id": null, "trace_columns": null, "energy_low_kwh": null, "sliced_file_id": "2272717b-a9d6-4955-b1ff-a8d1ad0cde66", "energy_high_kwh": null, "failed_at_layer": null, "configuration_id": "d6767b92-5478-428a-9c7b-e5e179299ffd", "failed_at_percent": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:54.782396+00
80	run	ac4d9a48-aad7-44fc-a7e5-c14e7282498e	update	{"id": "ac4d9a48-aad7-44fc-a7e5-c14e7282498e", "note": "", "cause": null, "job_id": "f4e7395c-f2c4-4bf5-9cce-6fe129b9f194", "attempt": 1, "changed": "", "outcome": null, "version": 1, "ended_at": null, "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "energy_kwh": null, "started_at": "2026-11-20T17:55:53.917294+00:00", "unattended": false, "energy_from": null, "energy_u_kwh": null, "trace_sha256": null, "uses_attempt": true, "instrument_id": null, "trace_columns": null, "energy_low_kwh": null, "sliced_file_id": "2272717b-a9d6-4955-b1ff-a8d1ad0cde66", "energy_high_kwh": null, "failed_at_layer": null, "configuration_id": "d6767b92-5478-428a-9c7b-e5e179299ffd", "failed_at_percent": null}	{"id": "ac4d9a48-aad7-44fc-a7e5-c14e7282498e", "note": "", "cause": null, "job_id": "f4e7395c-f2c4-4bf5-9cce-6fe129b9f194", "attempt": 1, "changed": "", "outcome": null, "version": 2, "ended_at": null, "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "energy_kwh": 0.1, "started_at": "2026-11-20T17:55:53.917294+00:00", "unattended": false, "energy_from": "meter", "energy_u_kwh": 0, "trace_sha256": null, "uses_attempt": true, "instrument_id": null, "trace_columns": null, "energy_low_kwh": 0.1, "sliced_file_id": "2272717b-a9d6-4955-b1ff-a8d1ad0cde66", "energy_high_kwh": 0.1, "failed_at_layer": null, "configuration_id": "d6767b92-5478-428a-9c7b-e5e179299ffd", "failed_at_percent": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:54.830607+00
81	noise_reading	39f60a5a-6ac5-45c8-ac31-232a0160b809	insert	\N	{"id": "39f60a5a-6ac5-45c8-ac31-232a0160b809", "state": "printing", "reason": null, "run_id": "ac4d9a48-aad7-44fc-a7e5-c14e7282498e", "unit_id": null, "level_db": 50, "taken_at": "2026-11-20T18:00:53.917294+00:00", "door_shut": true, "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "distance_m": 1, "fan_percent": null, "recorded_at": "2026-11-27T07:55:54.874791+00:00", "background_db": 20, "instrument_id": null, "supersedes_id": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:54.875129+00
82	run	ac4d9a48-aad7-44fc-a7e5-c14e7282498e	update	{"id": "ac4d9a48-aad7-44fc-a7e5-c14e7282498e", "note": "", "cause": null, "job_id": "f4e7395c-f2c4-4bf5-9cce-6fe129b9f194", "attempt": 1, "changed": "", "outcome": null, "version": 2, "ended_at": null, "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "energy_kwh": 0.1, "started_at": "2026-11-20T17:55:53.917294+00:00", "unattended": false, "energy_from": "meter", "energy_u_kwh": 0, "trace_sha256": null, "uses_attempt": true, "instrument_id": null, "trace_columns": null, "energy_low_kwh": 0.1, "sliced_file_id": "2272717b-a9d6-4955-b1ff-a8d1ad0cde66", "energy_high_kwh": 0.1, "failed_at_layer": null, "configuration_id": "d6767b92-5478-428a-9c7b-e5e179299ffd", "failed_at_percent": null}	{"id": "ac4d9a48-aad7-44fc-a7e5-c14e7282498e", "note": "", "cause": null, "job_id": "f4e7395c-f2c4-4bf5-9cce-6fe129b9f194", "attempt": 1, "changed": "", "outcome": "done", "version": 3, "ended_at": "2026-11-20T18:55:53.917294+00:00", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "energy_kwh": 0.1, "started_at": "2026-11-20T17:55:53.917294+00:00", "unattended": false, "energy_from": "meter", "energy_u_kwh": 0, "trace_sha256": null, "uses_attempt": true, "instrument_id": null, "trace_columns": null, "energy_low_kwh": 0.1, "sliced_file_id": "2272717b-a9d6-4955-b1ff-a8d1ad0cde66", "energy_high_kwh": 0.1, "failed_at_layer": null, "configuration_id": "d6767b92-5478-428a-9c7b-e5e179299ffd", "failed_at_percent": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:54.92191+00
83	specimen	1412f026-2837-4737-8a37-0b8e3082168e	insert	\N	{"id": "1412f026-2837-4737-8a37-0b8e3082168e", "run_id": "ac4d9a48-aad7-44fc-a7e5-c14e7282498e", "position": 0.8395533201451943, "study_id": "98a97c5d-f934-445d-b1cb-bf57b328b59c", "bagged_at": "2026-11-27T07:55:54.927226+00:00", "blind_code": "3XH"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:54.927498+00
84	zero_check	b252c34e-2fee-4f31-8d66-ff992f96d12f	insert	\N	{"id": "b252c34e-2fee-4f31-8d66-ff992f96d12f", "value": 0, "part_c": null, "taken_at": "2026-11-27T07:55:55.07274+00:00", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "recorded_at": "2026-11-27T07:55:55.074472+00:00", "instrument_id": "3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.075197+00
85	reading	d877ce2e-6961-47ad-bb3f-4e93deeeedb0	insert	\N	{"id": "d877ce2e-6961-47ad-bb3f-4e93deeeedb0", "note": null, "value": 40.12, "part_c": null, "reason": null, "repeat": 1, "taken_at": "2026-11-27T07:55:55.118468+00:00", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "feature_id": "c7c83a12-bd45-4d99-9303-4b6a9c8874de", "recorded_at": "2026-11-27T07:55:55.12369+00:00", "specimen_id": "1412f026-2837-4737-8a37-0b8e3082168e", "after_reveal": null, "instrument_id": "3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3", "supersedes_id": null, "cannot_because": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.126044+00
86	reading	a8bacb14-9407-4e6a-bbd0-d9b86ff02cc9	insert	\N	{"id": "a8bacb14-9407-4e6a-bbd0-d9b86ff02cc9", "note": null, "value": 30.12, "part_c": null, "reason": null, "repeat": 1, "taken_at": "2026-11-27T07:55:55.120255+00:00", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "feature_id": "794b8e87-1416-4e1b-a43b-0bd42e031607", "recorded_at": "2026-11-27T07:55:55.124521+00:00", "specimen_id": "1412f026-2837-4737-8a37-0b8e3082168e", "after_reveal": null, "instrument_id": "3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3", "supersedes_id": null, "cannot_because": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.126297+00
87	reading	633af709-5f7f-40df-b223-a7467e6ba62e	insert	\N	{"id": "633af709-5f7f-40df-b223-a7467e6ba62e", "note": null, "value": 17.12, "part_c": null, "reason": null, "repeat": 1, "taken_at": "2026-11-27T07:55:55.120337+00:00", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "feature_id": "405c8f0c-440d-449c-bc7d-bd37d201ad52", "recorded_at": "2026-11-27T07:55:55.124715+00:00", "specimen_id": "1412f026-2837-4737-8a37-0b8e3082168e", "after_reveal": null, "instrument_id": "3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3", "supersedes_id": null, "cannot_because": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.126453+00
88	reading	5a63424b-a7b5-469a-ad21-66f95e6f63d0	insert	\N	{"id": "5a63424b-a7b5-469a-ad21-66f95e6f63d0", "note": null, "value": 40.12, "part_c": null, "reason": null, "repeat": 1, "taken_at": "2026-11-27T07:55:55.120402+00:00", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "feature_id": "67059ff3-3870-470a-8f0f-d692f815c510", "recorded_at": "2026-11-27T07:55:55.124859+00:00", "specimen_id": "1412f026-2837-4737-8a37-0b8e3082168e", "after_reveal": null, "instrument_id": "3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3", "supersedes_id": null, "cannot_because": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.126597+00
89	reading	59e7b556-4a78-45c8-b04e-44e281c04193	insert	\N	{"id": "59e7b556-4a78-45c8-b04e-44e281c04193", "note": null, "value": 30.12, "part_c": null, "reason": null, "repeat": 1, "taken_at": "2026-11-27T07:55:55.120465+00:00", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "feature_id": "f5f0d9d1-f9b3-4341-ad0c-5e32424c047b", "recorded_at": "2026-11-27T07:55:55.124973+00:00", "specimen_id": "1412f026-2837-4737-8a37-0b8e3082168e", "after_reveal": null, "instrument_id": "3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3", "supersedes_id": null, "cannot_because": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.126737+00
90	reading	36ed7a7a-6c58-4cae-9cfe-4d1ada878c7c	insert	\N	{"id": "36ed7a7a-6c58-4cae-9cfe-4d1ada878c7c", "note": null, "value": 17.12, "part_c": null, "reason": null, "repeat": 1, "taken_at": "2026-11-27T07:55:55.120525+00:00", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "feature_id": "ca2f4971-8835-4e2d-befb-eb5261d2389e", "recorded_at": "2026-11-27T07:55:55.125079+00:00", "specimen_id": "1412f026-2837-4737-8a37-0b8e3082168e", "after_reveal": null, "instrument_id": "3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3", "supersedes_id": null, "cannot_because": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.126985+00
91	reading	83c5417c-a971-4456-a48e-c937a7a2e1c2	insert	\N	{"id": "83c5417c-a971-4456-a48e-c937a7a2e1c2", "note": null, "value": 10.12, "part_c": null, "reason": null, "repeat": 1, "taken_at": "2026-11-27T07:55:55.120589+00:00", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "feature_id": "15a3b427-9bb7-46d0-bc01-8229557c544b", "recorded_at": "2026-11-27T07:55:55.125205+00:00", "specimen_id": "1412f026-2837-4737-8a37-0b8e3082168e", "after_reveal": null, "instrument_id": "3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3", "supersedes_id": null, "cannot_because": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.127062+00
92	reading	06a8b7fa-cb8d-4177-96cd-b9826fe217a8	insert	\N	{"id": "06a8b7fa-cb8d-4177-96cd-b9826fe217a8", "note": null, "value": 25.12, "part_c": null, "reason": null, "repeat": 1, "taken_at": "2026-11-27T07:55:55.120663+00:00", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "feature_id": "e5144343-3e2a-435c-8d2d-fcd6643a62f0", "recorded_at": "2026-11-27T07:55:55.125239+00:00", "specimen_id": "1412f026-2837-4737-8a37-0b8e3082168e", "after_reveal": null, "instrument_id": "3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3", "supersedes_id": null, "cannot_because": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.127122+00
93	reading	9c5a180a-79eb-495f-92be-c51d00793cf7	insert	\N	{"id": "9c5a180a-79eb-495f-92be-c51d00793cf7", "note": null, "value": 45.12, "part_c": null, "reason": null, "repeat": 1, "taken_at": "2026-11-27T07:55:55.120729+00:00", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "feature_id": "ab725912-f6d7-456f-bf15-4b8511a3b78f", "recorded_at": "2026-11-27T07:55:55.125267+00:00", "specimen_id": "1412f026-2837-4737-8a37-0b8e3082168e", "after_reveal": null, "instrument_id": "3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3", "supersedes_id": null, "cannot_because": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.127179+00
94	reading	752a1589-cb3b-4e35-a605-45ebbd82bad8	insert	\N	{"id": "752a1589-cb3b-4e35-a605-45ebbd82bad8", "note": null, "value": 8.12, "part_c": null, "reason": null, "repeat": 1, "taken_at": "2026-11-27T07:55:55.12079+00:00", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "feature_id": "71728d5d-3e9b-482d-a17b-7ec74696f696", "recorded_at": "2026-11-27T07:55:55.125293+00:00", "specimen_id": "1412f026-2837-4737-8a37-0b8e3082168e", "after_reveal": null, "instrument_id": "3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3", "supersedes_id": null, "cannot_because": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.127241+00
95	reading	d0d261bc-f6e4-4458-ba7a-7649a62d4dd8	insert	\N	{"id": "d0d261bc-f6e4-4458-ba7a-7649a62d4dd8", "note": null, "value": 8.12, "part_c": null, "reason": null, "repeat": 1, "taken_at": "2026-11-27T07:55:55.120866+00:00", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "feature_id": "f958e932-1de9-463e-9cc1-469ac5d01478", "recorded_at": "2026-11-27T07:55:55.125319+00:00", "specimen_id": "1412f026-2837-4737-8a37-0b8e3082168e", "after_reveal": null, "instrument_id": "3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3", "supersedes_id": null, "cannot_because": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.127299+00
96	reading	4dd846a6-be98-4d0f-9883-2976df123e8b	insert	\N	{"id": "4dd846a6-be98-4d0f-9883-2976df123e8b", "note": null, "value": 40.05, "part_c": null, "reason": null, "repeat": 1, "taken_at": "2026-11-27T07:55:55.190836+00:00", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "feature_id": "c7c83a12-bd45-4d99-9303-4b6a9c8874de", "recorded_at": "2026-11-27T07:55:55.199934+00:00", "specimen_id": "8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2", "after_reveal": null, "instrument_id": "3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3", "supersedes_id": null, "cannot_because": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.20057+00
97	reading	2224873b-f803-4c50-8a88-caf9b1c24e5e	insert	\N	{"id": "2224873b-f803-4c50-8a88-caf9b1c24e5e", "note": null, "value": 30.05, "part_c": null, "reason": null, "repeat": 1, "taken_at": "2026-11-27T07:55:55.191916+00:00", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "feature_id": "794b8e87-1416-4e1b-a43b-0bd42e031607", "recorded_at": "2026-11-27T07:55:55.20013+00:00", "specimen_id": "8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2", "after_reveal": null, "instrument_id": "3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3", "supersedes_id": null, "cannot_because": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.200661+00
98	reading	a50ed560-2f84-43f8-9e44-cefdaa38964e	insert	\N	{"id": "a50ed560-2f84-43f8-9e44-cefdaa38964e", "note": null, "value": 17.05, "part_c": null, "reason": null, "repeat": 1, "taken_at": "2026-11-27T07:55:55.191988+00:00", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "feature_id": "405c8f0c-440d-449c-bc7d-bd37d201ad52", "recorded_at": "2026-11-27T07:55:55.200175+00:00", "specimen_id": "8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2", "after_reveal": null, "instrument_id": "3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3", "supersedes_id": null, "cannot_because": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.200724+00
99	reading	195f2ce7-4ea0-451d-964f-6ff3f4295f39	insert	\N	{"id": "195f2ce7-4ea0-451d-964f-6ff3f4295f39", "note": null, "value": 40.05, "part_c": null, "reason": null, "repeat": 1, "taken_at": "2026-11-27T07:55:55.192051+00:00", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "feature_id": "67059ff3-3870-470a-8f0f-d692f815c510", "recorded_at": "2026-11-27T07:55:55.200208+00:00", "specimen_id": "8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2", "after_reveal": null, "instrument_id": "3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3", "supersedes_id": null, "cannot_because": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.200782+00
100	reading	4602890d-6a8d-4420-a6b3-67625ff0b27d	insert	\N	{"id": "4602890d-6a8d-4420-a6b3-67625ff0b27d", "note": null, "value": 30.05, "part_c": null, "reason": null, "repeat": 1, "taken_at": "2026-11-27T07:55:55.192112+00:00", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "feature_id": "f5f0d9d1-f9b3-4341-ad0c-5e32424c047b", "recorded_at": "2026-11-27T07:55:55.200236+00:00", "specimen_id": "8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2", "after_reveal": null, "instrument_id": "3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3", "supersedes_id": null, "cannot_because": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.200855+00
116	defect_score	219cf9bb-5f64-45d5-871c-e3dfb1cb22ce	insert	\N	{"id": "219cf9bb-5f64-45d5-871c-e3dfb1cb22ce", "defect": "stringing", "reason": null, "severity": 1, "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "scored_at": "2026-11-27T07:55:55.578132+00:00", "recorded_at": "2026-11-27T07:55:55.582416+00:00", "specimen_id": "8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2", "after_reveal": null, "supersedes_id": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.582708+00
101	reading	9bdc3902-5025-4f0f-9acb-1ce9bab05336	insert	\N	{"id": "9bdc3902-5025-4f0f-9acb-1ce9bab05336", "note": null, "value": 17.05, "part_c": null, "reason": null, "repeat": 1, "taken_at": "2026-11-27T07:55:55.19217+00:00", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "feature_id": "ca2f4971-8835-4e2d-befb-eb5261d2389e", "recorded_at": "2026-11-27T07:55:55.20027+00:00", "specimen_id": "8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2", "after_reveal": null, "instrument_id": "3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3", "supersedes_id": null, "cannot_because": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.200913+00
102	reading	a49b6c40-60cc-4ed3-b901-86397ddbab2d	insert	\N	{"id": "a49b6c40-60cc-4ed3-b901-86397ddbab2d", "note": null, "value": 10.05, "part_c": null, "reason": null, "repeat": 1, "taken_at": "2026-11-27T07:55:55.192228+00:00", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "feature_id": "15a3b427-9bb7-46d0-bc01-8229557c544b", "recorded_at": "2026-11-27T07:55:55.200298+00:00", "specimen_id": "8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2", "after_reveal": null, "instrument_id": "3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3", "supersedes_id": null, "cannot_because": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.201034+00
103	reading	c98a1b0a-135a-4813-ad86-7e70f682a3e7	insert	\N	{"id": "c98a1b0a-135a-4813-ad86-7e70f682a3e7", "note": null, "value": 25.05, "part_c": null, "reason": null, "repeat": 1, "taken_at": "2026-11-27T07:55:55.192287+00:00", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "feature_id": "e5144343-3e2a-435c-8d2d-fcd6643a62f0", "recorded_at": "2026-11-27T07:55:55.200322+00:00", "specimen_id": "8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2", "after_reveal": null, "instrument_id": "3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3", "supersedes_id": null, "cannot_because": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.201092+00
104	reading	6736940f-e5d7-4c39-b4a0-751f69695695	insert	\N	{"id": "6736940f-e5d7-4c39-b4a0-751f69695695", "note": null, "value": 45.05, "part_c": null, "reason": null, "repeat": 1, "taken_at": "2026-11-27T07:55:55.192346+00:00", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "feature_id": "ab725912-f6d7-456f-bf15-4b8511a3b78f", "recorded_at": "2026-11-27T07:55:55.200347+00:00", "specimen_id": "8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2", "after_reveal": null, "instrument_id": "3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3", "supersedes_id": null, "cannot_because": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.201147+00
105	reading	029e7230-7f72-46af-8f02-0194353d962e	insert	\N	{"id": "029e7230-7f72-46af-8f02-0194353d962e", "note": null, "value": 8.05, "part_c": null, "reason": null, "repeat": 1, "taken_at": "2026-11-27T07:55:55.192406+00:00", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "feature_id": "71728d5d-3e9b-482d-a17b-7ec74696f696", "recorded_at": "2026-11-27T07:55:55.200372+00:00", "specimen_id": "8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2", "after_reveal": null, "instrument_id": "3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3", "supersedes_id": null, "cannot_because": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.201203+00
106	reading	40352ca3-83c2-4f34-a108-01d2b2e6c01d	insert	\N	{"id": "40352ca3-83c2-4f34-a108-01d2b2e6c01d", "note": null, "value": 8.05, "part_c": null, "reason": null, "repeat": 1, "taken_at": "2026-11-27T07:55:55.192465+00:00", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "feature_id": "f958e932-1de9-463e-9cc1-469ac5d01478", "recorded_at": "2026-11-27T07:55:55.200397+00:00", "specimen_id": "8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2", "after_reveal": null, "instrument_id": "3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3", "supersedes_id": null, "cannot_because": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.201258+00
107	defect_score	cadedd79-2ee5-4b78-80c4-f03bfea19c3a	insert	\N	{"id": "cadedd79-2ee5-4b78-80c4-f03bfea19c3a", "defect": "stringing", "reason": null, "severity": 1, "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "scored_at": "2026-11-27T07:55:55.274303+00:00", "recorded_at": "2026-11-27T07:55:55.27589+00:00", "specimen_id": "1412f026-2837-4737-8a37-0b8e3082168e", "after_reveal": null, "supersedes_id": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.27722+00
108	defect_score	893af70e-e16c-4d70-916d-a4694760a3e9	insert	\N	{"id": "893af70e-e16c-4d70-916d-a4694760a3e9", "defect": "blobs", "reason": null, "severity": 1, "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "scored_at": "2026-11-27T07:55:55.305514+00:00", "recorded_at": "2026-11-27T07:55:55.306125+00:00", "specimen_id": "1412f026-2837-4737-8a37-0b8e3082168e", "after_reveal": null, "supersedes_id": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.306624+00
109	defect_score	b1f78c8e-20f7-495c-b5d5-940521e47acc	insert	\N	{"id": "b1f78c8e-20f7-495c-b5d5-940521e47acc", "defect": "shift", "reason": null, "severity": 1, "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "scored_at": "2026-11-27T07:55:55.327903+00:00", "recorded_at": "2026-11-27T07:55:55.328488+00:00", "specimen_id": "1412f026-2837-4737-8a37-0b8e3082168e", "after_reveal": null, "supersedes_id": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.328998+00
110	defect_score	0b3c8f09-b0b7-46d7-ba12-bf191ba37f90	insert	\N	{"id": "0b3c8f09-b0b7-46d7-ba12-bf191ba37f90", "defect": "warp", "reason": null, "severity": 1, "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "scored_at": "2026-11-27T07:55:55.350255+00:00", "recorded_at": "2026-11-27T07:55:55.35085+00:00", "specimen_id": "1412f026-2837-4737-8a37-0b8e3082168e", "after_reveal": null, "supersedes_id": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.351356+00
111	defect_score	020449db-bd88-4c87-8b3b-5fa65a43376f	insert	\N	{"id": "020449db-bd88-4c87-8b3b-5fa65a43376f", "defect": "gaps", "reason": null, "severity": 1, "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "scored_at": "2026-11-27T07:55:55.372491+00:00", "recorded_at": "2026-11-27T07:55:55.373081+00:00", "specimen_id": "1412f026-2837-4737-8a37-0b8e3082168e", "after_reveal": null, "supersedes_id": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.373575+00
112	defect_score	c62c72d5-1409-45ca-949c-84f028885f02	insert	\N	{"id": "c62c72d5-1409-45ca-949c-84f028885f02", "defect": "ringing", "reason": null, "severity": 1, "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "scored_at": "2026-11-27T07:55:55.404354+00:00", "recorded_at": "2026-11-27T07:55:55.405002+00:00", "specimen_id": "1412f026-2837-4737-8a37-0b8e3082168e", "after_reveal": null, "supersedes_id": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.405532+00
113	defect_score	fa71121a-e5c7-41f0-b019-cec3222034e3	insert	\N	{"id": "fa71121a-e5c7-41f0-b019-cec3222034e3", "defect": "foot", "reason": null, "severity": 1, "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "scored_at": "2026-11-27T07:55:55.438311+00:00", "recorded_at": "2026-11-27T07:55:55.438897+00:00", "specimen_id": "1412f026-2837-4737-8a37-0b8e3082168e", "after_reveal": null, "supersedes_id": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.439167+00
114	defect_score	74264dbe-7864-49a8-98f7-527aed629973	insert	\N	{"id": "74264dbe-7864-49a8-98f7-527aed629973", "defect": "skins", "reason": null, "severity": 1, "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "scored_at": "2026-11-27T07:55:55.478186+00:00", "recorded_at": "2026-11-27T07:55:55.478805+00:00", "specimen_id": "1412f026-2837-4737-8a37-0b8e3082168e", "after_reveal": null, "supersedes_id": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.479098+00
115	inspection_lock	926f62ee-6d85-4547-8ee6-d774e31eafba	insert	\N	{"id": "926f62ee-6d85-4547-8ee6-d774e31eafba", "locked_at": "2026-11-27T07:55:55.534081+00:00", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "specimen_id": "1412f026-2837-4737-8a37-0b8e3082168e"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.534913+00
117	defect_score	a7251efa-f07b-4073-a811-a082c77c46f1	insert	\N	{"id": "a7251efa-f07b-4073-a811-a082c77c46f1", "defect": "blobs", "reason": null, "severity": 1, "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "scored_at": "2026-11-27T07:55:55.626189+00:00", "recorded_at": "2026-11-27T07:55:55.62681+00:00", "specimen_id": "8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2", "after_reveal": null, "supersedes_id": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.627104+00
118	defect_score	29330839-e0d4-4b1f-a81e-06cd8d62f125	insert	\N	{"id": "29330839-e0d4-4b1f-a81e-06cd8d62f125", "defect": "shift", "reason": null, "severity": 1, "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "scored_at": "2026-11-27T07:55:55.662566+00:00", "recorded_at": "2026-11-27T07:55:55.66317+00:00", "specimen_id": "8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2", "after_reveal": null, "supersedes_id": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.66344+00
119	defect_score	3b1ad82a-3558-423e-80a6-50d556c6f142	insert	\N	{"id": "3b1ad82a-3558-423e-80a6-50d556c6f142", "defect": "warp", "reason": null, "severity": 1, "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "scored_at": "2026-11-27T07:55:55.706485+00:00", "recorded_at": "2026-11-27T07:55:55.707096+00:00", "specimen_id": "8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2", "after_reveal": null, "supersedes_id": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.707365+00
120	defect_score	7ac379e6-0a6c-4b0b-bd8a-440c7cb046bc	insert	\N	{"id": "7ac379e6-0a6c-4b0b-bd8a-440c7cb046bc", "defect": "gaps", "reason": null, "severity": 1, "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "scored_at": "2026-11-27T07:55:55.745264+00:00", "recorded_at": "2026-11-27T07:55:55.745876+00:00", "specimen_id": "8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2", "after_reveal": null, "supersedes_id": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.746193+00
121	defect_score	b121fdc2-7d92-4882-b17c-b9887b08bfca	insert	\N	{"id": "b121fdc2-7d92-4882-b17c-b9887b08bfca", "defect": "ringing", "reason": null, "severity": 1, "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "scored_at": "2026-11-27T07:55:55.767825+00:00", "recorded_at": "2026-11-27T07:55:55.768413+00:00", "specimen_id": "8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2", "after_reveal": null, "supersedes_id": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.768691+00
122	defect_score	c36894c5-eb95-48e7-b1be-b184b4765bfb	insert	\N	{"id": "c36894c5-eb95-48e7-b1be-b184b4765bfb", "defect": "foot", "reason": null, "severity": 1, "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "scored_at": "2026-11-27T07:55:55.790416+00:00", "recorded_at": "2026-11-27T07:55:55.790995+00:00", "specimen_id": "8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2", "after_reveal": null, "supersedes_id": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.791258+00
123	defect_score	54d4f52f-997f-48ab-9952-d186b53baec7	insert	\N	{"id": "54d4f52f-997f-48ab-9952-d186b53baec7", "defect": "skins", "reason": null, "severity": 1, "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "scored_at": "2026-11-27T07:55:55.813291+00:00", "recorded_at": "2026-11-27T07:55:55.813871+00:00", "specimen_id": "8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2", "after_reveal": null, "supersedes_id": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.814153+00
124	inspection_lock	5e44d634-2927-4db8-ac37-1e19fcdef579	insert	\N	{"id": "5e44d634-2927-4db8-ac37-1e19fcdef579", "locked_at": "2026-11-27T07:55:55.836962+00:00", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "specimen_id": "8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2"}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.837219+00
125	run_event	7744e5f7-15b5-42b1-9920-5e1e46feba8d	insert	\N	{"at": "2026-11-20T18:05:53.917294+00:00", "id": "7744e5f7-15b5-42b1-9920-5e1e46feba8d", "kind": "paused", "note": "", "reason": null, "run_id": "ac4d9a48-aad7-44fc-a7e5-c14e7282498e", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "recorded_at": "2026-11-27T07:55:55.912531+00:00", "supersedes_id": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.913353+00
126	run_event	8675ff41-dde5-4a3f-8d7d-5415beed1d54	insert	\N	{"at": "2026-11-20T18:20:53.917294+00:00", "id": "8675ff41-dde5-4a3f-8d7d-5415beed1d54", "kind": "printing", "note": "", "reason": null, "run_id": "ac4d9a48-aad7-44fc-a7e5-c14e7282498e", "person_id": "8d8f9b3e-08d1-4d86-9291-3681ce165478", "recorded_at": "2026-11-27T07:55:55.95349+00:00", "supersedes_id": null}	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.953761+00
\.


--
-- Data for Name: background_work; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.background_work (study_id, kind, given, state, wish, stage, share, message, found, person_id, asked_at, told_at, ended_at, id, subject_id, begun) FROM stdin;
\.


--
-- Data for Name: bench_rules; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.bench_rules (study_id, rules, changed_at, version, id) FROM stdin;
\.


--
-- Data for Name: box_item; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.box_item (unit_id, name, found, note, noted_at, version, id) FROM stdin;
\.


--
-- Data for Name: buyer_profile; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.buyer_profile (study_id, name, "position", weights, version, id) FROM stdin;
98a97c5d-f934-445d-b1cb-bf57b328b59c	Any buyer	0	{}	1	ca028171-c00f-47aa-bd55-97c829dec40b
\.


--
-- Data for Name: claim; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.claim (model_id, kind, value, said, noted_at, version, id, name, unit, less_is_better, state) FROM stdin;
\.


--
-- Data for Name: client_write; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.client_write (id, person_id, request_hash, status, body, at) FROM stdin;
2128ff48-3591-4e42-9140-09d611fb5d5e	8d8f9b3e-08d1-4d86-9291-3681ce165478	70e3cff6da4a7451e1e9934676cee065dda4c49f6c21854ae6b57233f0d2c1d5	200	{"id":"0edb6d0e-c751-4d78-8f56-0b9fa0b2992a","name":"Mesa","bed_x_mm":220.0,"bed_y_mm":220.0,"height_mm":250.0,"list_price":null,"currency":"EUR","tools":1,"enclosed":false,"sheet":{"is_round":false,"top_share":1.0,"motion":"","board":"","hotend":"","extruder":"","nozzle_max_c":null,"bed_max_c":null,"weight_kg":null,"peak_w":null,"top_speed_mm_s":null,"acceleration_mm_s2":null,"corner_mm_s":null,"flow_mm3_s":null,"keep_outs":[]},"version":1,"units":0}	2026-11-27 07:55:52.985144+00
5796ec2f-2805-4fa4-8460-dccc323d77e1	8d8f9b3e-08d1-4d86-9291-3681ce165478	51ab7d19b1ad995a7500b7f6948e8e56b17aa27dcef0d342f9a41db36c93ec58	200	{"id":"3440f1a9-50ca-4c4a-a987-500eac43412e","name":"Sparrow","bed_x_mm":220.0,"bed_y_mm":220.0,"height_mm":250.0,"list_price":null,"currency":"EUR","tools":1,"enclosed":false,"sheet":{"is_round":false,"top_share":1.0,"motion":"","board":"","hotend":"","extruder":"","nozzle_max_c":null,"bed_max_c":null,"weight_kg":null,"peak_w":null,"top_speed_mm_s":null,"acceleration_mm_s2":null,"corner_mm_s":null,"flow_mm3_s":null,"keep_outs":[]},"version":1,"units":0}	2026-11-27 07:55:53.002122+00
3616bafe-4db0-4829-a5e6-81ab8e72dc53	8d8f9b3e-08d1-4d86-9291-3681ce165478	18a78245c6ec1cc456f2ec4a8544725e7d2e6ef745f2cc7dc521c2796a8d30c1	200	{"id":"8fedbf9a-eb4d-47a5-8aa2-1ff973357d3f","code":"S-8fed","maker":"Wendle Works","material":"PLA","colour":"moss","diameter_mm":1.75,"density_g_cm3":1.24,"price_per_kg":20.0,"currency":"EUR","priced_on":"2026-11-27","dried_on":null,"lot":"","empty_g":null,"version":1,"usual":{"name":"PLA","density":1.24,"nozzle_c":215.0,"bed_c":60.0}}	2026-11-27 07:55:53.009305+00
a0105971-52c3-441e-a01b-42008dbde44b	8d8f9b3e-08d1-4d86-9291-3681ce165478	9947e2c6b71e9dfc7222e6f0121e8d78842dee0ef21befdda0044157d9c9b7df	200	{"id":"3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3","code":"C-98a9","kind":"caliper","unit":"mm","resolution":0.01,"u_calibration":0.01,"repeatability":0.01,"calibrated_on":null,"certificate":"","valid_days":365,"version":1,"due_on":null,"overdue":true}	2026-11-27 07:55:53.01855+00
a8e61d9e-e4f7-468a-b1f2-7714ec342351	8d8f9b3e-08d1-4d86-9291-3681ce165478	59cb220ace64924c4bf5a927cd9ceb50b3b367967ea8aebb192b584fafbef025	200	{"id":"98a97c5d-f934-445d-b1cb-bf57b328b59c","title":"Small","question":"Which?","currency":"EUR","seed":5,"version":1,"protocol_number":1,"frozen_at":null,"freeze_recorded_at":null,"candidates":[],"arms":[{"id":"080bfc07-18a8-4d54-8975-40b7fc1f9044","name":"Stock","slicing":"common","tuning":"stock","conditions":{"layer_height_mm":0.2,"infill_percent":15.0,"walls":2,"nozzle_mm":0.4,"nozzle_c":215.0,"bed_c":60.0,"material":null,"temperatures":[]},"fixed":"Layers of 0.2 mm, 15 % infill, 2 walls, a 0.4 mm nozzle, nozzle at 215 °C, bed at 60 °C.","lines":[{"artifact":"SB","code":"SB","number":1,"name":"Step block","isolates":"Axis scale, wall offset, hole size, first-layer height.","tools":1,"features":11,"spool_id":null,"spool":"","second_spool_id":null,"second_spool":"","copies":3}]}],"repeats":3,"policies":{"pieces":"isolating","material":"same spool","drying":"dried before use","counted_causes":["machine","profile","unknown"],"most_attempts":3,"unattended":"after checks"},"coverage":[],"deviations":[]}	2026-11-27 07:55:53.027608+00
ee71102d-0533-4343-babe-e3f73ee227af	8d8f9b3e-08d1-4d86-9291-3681ce165478	d56918f7c3c22b9da59e867e55fb9a44d69d166dd3430ccac0a36a05e2617146	200	{"id":"98a97c5d-f934-445d-b1cb-bf57b328b59c","title":"Small","question":"Which?","currency":"EUR","seed":5,"version":2,"protocol_number":1,"frozen_at":null,"freeze_recorded_at":null,"candidates":[{"model_id":"0edb6d0e-c751-4d78-8f56-0b9fa0b2992a","is_control":false},{"model_id":"3440f1a9-50ca-4c4a-a987-500eac43412e","is_control":false}],"arms":[{"id":"003e1fda-f0df-4de6-bae5-cf5bba272a5e","name":"Stock","slicing":"common","tuning":"stock","conditions":{"layer_height_mm":0.2,"infill_percent":15.0,"walls":2,"nozzle_mm":0.4,"nozzle_c":215.0,"bed_c":60.0,"material":null,"temperatures":[]},"fixed":"Layers of 0.2 mm, 15 % infill, 2 walls, a 0.4 mm nozzle, nozzle at 215 °C, bed at 60 °C.","lines":[{"artifact":"SB","code":"SB","number":1,"name":"Step block","isolates":"Axis scale, wall offset, hole size, first-layer height.","tools":1,"features":11,"spool_id":"8fedbf9a-eb4d-47a5-8aa2-1ff973357d3f","spool":"S-8fed · moss PLA","second_spool_id":null,"second_spool":"","copies":1}]}],"repeats":1,"policies":{"pieces":"isolating","material":"same spool","drying":"dried before use","counted_causes":["machine","profile","unknown"],"most_attempts":3,"unattended":"after checks"},"coverage":[{"machine":{"unit_id":"d98f20c1-9a5a-4ed9-bd0d-c6f6adecb507","name":"Mesa","mark":0,"is_control":false},"cells":[{"layers":[],"left_out":""}]},{"machine":{"unit_id":"8380a138-3770-44a9-90a5-ec9018a29770","name":"Sparrow","mark":1,"is_control":false},"cells":[{"layers":[],"left_out":""}]}],"deviations":[]}	2026-11-27 07:55:53.600627+00
50861023-123d-4202-b34d-7ca538a50465	8d8f9b3e-08d1-4d86-9291-3681ce165478	dd099250436fe77dc8e1485dca5d78923222e363e380d557e426e3c5daae8ebd	200	{"id":"98a97c5d-f934-445d-b1cb-bf57b328b59c","title":"Small","question":"Which?","currency":"EUR","seed":5,"version":2,"protocol_number":1,"frozen_at":"2026-11-18T07:55:53.730916Z","freeze_recorded_at":"2026-11-27T07:55:53.746497Z","candidates":[{"model_id":"0edb6d0e-c751-4d78-8f56-0b9fa0b2992a","is_control":false},{"model_id":"3440f1a9-50ca-4c4a-a987-500eac43412e","is_control":false}],"arms":[{"id":"003e1fda-f0df-4de6-bae5-cf5bba272a5e","name":"Stock","slicing":"common","tuning":"stock","conditions":{"layer_height_mm":0.2,"infill_percent":15.0,"walls":2,"nozzle_mm":0.4,"nozzle_c":215.0,"bed_c":60.0,"material":null,"temperatures":[]},"fixed":"Layers of 0.2 mm, 15 % infill, 2 walls, a 0.4 mm nozzle, nozzle at 215 °C, bed at 60 °C.","lines":[{"artifact":"SB","code":"SB","number":1,"name":"Step block","isolates":"Axis scale, wall offset, hole size, first-layer height.","tools":1,"features":11,"spool_id":"8fedbf9a-eb4d-47a5-8aa2-1ff973357d3f","spool":"S-8fed · moss PLA","second_spool_id":null,"second_spool":"","copies":1}]}],"repeats":1,"policies":{"pieces":"isolating","material":"same spool","drying":"dried before use","counted_causes":["machine","profile","unknown"],"most_attempts":3,"unattended":"after checks"},"coverage":[{"machine":{"unit_id":"d98f20c1-9a5a-4ed9-bd0d-c6f6adecb507","name":"Mesa","mark":0,"is_control":false},"cells":[{"layers":[{"job_id":"f4e7395c-f2c4-4bf5-9cce-6fe129b9f194","copy_number":1,"stage":"planned","failed_tries":0,"deviations":0}],"left_out":""}]},{"machine":{"unit_id":"8380a138-3770-44a9-90a5-ec9018a29770","name":"Sparrow","mark":1,"is_control":false},"cells":[{"layers":[{"job_id":"dfe75c65-fbc7-4e42-b2b8-c03457f5fb3f","copy_number":1,"stage":"planned","failed_tries":0,"deviations":0}],"left_out":""}]}],"deviations":[]}	2026-11-27 07:55:53.734869+00
389f0efa-fa80-4091-b7b5-b595af131879	8d8f9b3e-08d1-4d86-9291-3681ce165478	283214c3e5cb0eff797a3f202c7ac6b343d951414dbb33bc76826842f28045e3	200	{"now":"2026-11-27T07:55:55.822325Z","defects":[{"code":"stringing","name":"Stringing","weight":1.0,"structural":false,"look":"Between parts that stand apart and across openings.","anchors":["No strings at arm's length or close up.","A few hairs that brush off.","Hairs on one side, gone with a heat gun.","Strings on several sides that need a knife.","Webs that hide an edge.","Webs that fill an opening or join parts that stand apart."]},{"code":"blobs","name":"Blobs and zits","weight":1.0,"structural":false,"look":"The seam and every corner.","anchors":["Smooth to the fingernail.","One or two dots felt, not seen.","Dots along the seam seen at half a metre.","A row of dots that throws a caliper off by 0.1 mm.","Blobs over 1 mm on more than one side.","Blobs that stop the part from seating."]},{"code":"shift","name":"Layer shift","weight":2.0,"structural":true,"look":"Sight down each edge against a straight line.","anchors":["Edges straight.","A step felt by nail, under 0.1 mm.","A step up to 0.2 mm.","A step up to 0.5 mm.","A step up to 1 mm.","A step over 1 mm, or more than one shift."]},{"code":"warp","name":"Warped corners","weight":1.5,"structural":true,"look":"Base on a flat plate, gauge under each corner.","anchors":["No light under any corner.","Light under one corner, 0.05 mm gauge does not enter.","Up to 0.2 mm under one corner.","Up to 0.5 mm, or two corners.","Up to 1 mm.","Over 1 mm, or the part came loose while printing."]},{"code":"gaps","name":"Gaps and thin walls","weight":2.0,"structural":true,"look":"Walls against a lamp, top skins.","anchors":["Closed everywhere.","Pinholes in one top skin.","Lines stand apart in one skin.","Lines stand apart on a wall.","Light through a wall.","Walls come apart between the fingers."]},{"code":"ringing","name":"Ringing after corners","weight":1.0,"structural":false,"look":"Raking light along the long faces.","anchors":["No echo of the corner.","One faint wave under raking light.","Two or three waves under raking light.","Waves seen in room light.","Waves felt by fingernail.","Waves over half the face."]},{"code":"foot","name":"First-layer bulge","weight":1.0,"structural":false,"look":"Bottom edge, all four sides.","anchors":["Edge as sharp as the others.","Bulge felt, under 0.05 mm.","Bulge up to 0.1 mm.","Bulge up to 0.2 mm.","Bulge up to 0.4 mm.","Bulge over 0.4 mm or a loose brim fused on."]},{"code":"skins","name":"Rough top skins","weight":1.0,"structural":false,"look":"Every upward face.","anchors":["Even lines, no marks.","Lines show a change of direction.","Nozzle marks on one face.","Rough on one face.","Rough on every face.","Holes or pillows through the skin."]}],"specimens":[{"id":"1412f026-2837-4737-8a37-0b8e3082168e","blind_code":"3XH","artifact":"Step block","asked":["stringing","blobs","shift","warp","gaps","ringing","foot","skins"],"scores":[{"id":"cadedd79-2ee5-4b78-80c4-f03bfea19c3a","defect":"stringing","severity":1,"corrected":false,"after_reveal":null},{"id":"893af70e-e16c-4d70-916d-a4694760a3e9","defect":"blobs","severity":1,"corrected":false,"after_reveal":null},{"id":"b1f78c8e-20f7-495c-b5d5-940521e47acc","defect":"shift","severity":1,"corrected":false,"after_reveal":null},{"id":"0b3c8f09-b0b7-46d7-ba12-bf191ba37f90","defect":"warp","severity":1,"corrected":false,"after_reveal":null},{"id":"020449db-bd88-4c87-8b3b-5fa65a43376f","defect":"gaps","severity":1,"corrected":false,"after_reveal":null},{"id":"c62c72d5-1409-45ca-949c-84f028885f02","defect":"ringing","severity":1,"corrected":false,"after_reveal":null},{"id":"fa71121a-e5c7-41f0-b019-cec3222034e3","defect":"foot","severity":1,"corrected":false,"after_reveal":null},{"id":"74264dbe-7864-49a8-98f7-527aed629973","defect":"skins","severity":1,"corrected":false,"after_reveal":null}],"locked":true,"locked_by_others":0,"quality":80.0,"rejected_by":null},{"id":"8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2","blind_code":"3E9","artifact":"Step block","asked":["stringing","blobs","shift","warp","gaps","ringing","foot","skins"],"scores":[{"id":"219cf9bb-5f64-45d5-871c-e3dfb1cb22ce","defect":"stringing","severity":1,"corrected":false,"after_reveal":null},{"id":"a7251efa-f07b-4073-a811-a082c77c46f1","defect":"blobs","severity":1,"corrected":false,"after_reveal":null},{"id":"29330839-e0d4-4b1f-a81e-06cd8d62f125","defect":"shift","severity":1,"corrected":false,"after_reveal":null},{"id":"3b1ad82a-3558-423e-80a6-50d556c6f142","defect":"warp","severity":1,"corrected":false,"after_reveal":null},{"id":"7ac379e6-0a6c-4b0b-bd8a-440c7cb046bc","defect":"gaps","severity":1,"corrected":false,"after_reveal":null},{"id":"b121fdc2-7d92-4882-b17c-b9887b08bfca","defect":"ringing","severity":1,"corrected":false,"after_reveal":null},{"id":"c36894c5-eb95-48e7-b1be-b184b4765bfb","defect":"foot","severity":1,"corrected":false,"after_reveal":null},{"id":"54d4f52f-997f-48ab-9952-d186b53baec7","defect":"skins","severity":1,"corrected":false,"after_reveal":null}],"locked":false,"locked_by_others":0,"quality":null,"rejected_by":null}],"may_reveal":false,"reveal_needs":"Still to be scored and locked: 3E9.","revealed_at":null}	2026-11-27 07:55:55.805237+00
60b17ff1-d17f-4f6d-b399-757666353f16	8d8f9b3e-08d1-4d86-9291-3681ce165478	6f26cc86e71a8d5c770776e2e984a60676f808e23d5547b9007d032e9fa26bef	200	{"now":"2026-11-27T07:55:55.845862Z","defects":[{"code":"stringing","name":"Stringing","weight":1.0,"structural":false,"look":"Between parts that stand apart and across openings.","anchors":["No strings at arm's length or close up.","A few hairs that brush off.","Hairs on one side, gone with a heat gun.","Strings on several sides that need a knife.","Webs that hide an edge.","Webs that fill an opening or join parts that stand apart."]},{"code":"blobs","name":"Blobs and zits","weight":1.0,"structural":false,"look":"The seam and every corner.","anchors":["Smooth to the fingernail.","One or two dots felt, not seen.","Dots along the seam seen at half a metre.","A row of dots that throws a caliper off by 0.1 mm.","Blobs over 1 mm on more than one side.","Blobs that stop the part from seating."]},{"code":"shift","name":"Layer shift","weight":2.0,"structural":true,"look":"Sight down each edge against a straight line.","anchors":["Edges straight.","A step felt by nail, under 0.1 mm.","A step up to 0.2 mm.","A step up to 0.5 mm.","A step up to 1 mm.","A step over 1 mm, or more than one shift."]},{"code":"warp","name":"Warped corners","weight":1.5,"structural":true,"look":"Base on a flat plate, gauge under each corner.","anchors":["No light under any corner.","Light under one corner, 0.05 mm gauge does not enter.","Up to 0.2 mm under one corner.","Up to 0.5 mm, or two corners.","Up to 1 mm.","Over 1 mm, or the part came loose while printing."]},{"code":"gaps","name":"Gaps and thin walls","weight":2.0,"structural":true,"look":"Walls against a lamp, top skins.","anchors":["Closed everywhere.","Pinholes in one top skin.","Lines stand apart in one skin.","Lines stand apart on a wall.","Light through a wall.","Walls come apart between the fingers."]},{"code":"ringing","name":"Ringing after corners","weight":1.0,"structural":false,"look":"Raking light along the long faces.","anchors":["No echo of the corner.","One faint wave under raking light.","Two or three waves under raking light.","Waves seen in room light.","Waves felt by fingernail.","Waves over half the face."]},{"code":"foot","name":"First-layer bulge","weight":1.0,"structural":false,"look":"Bottom edge, all four sides.","anchors":["Edge as sharp as the others.","Bulge felt, under 0.05 mm.","Bulge up to 0.1 mm.","Bulge up to 0.2 mm.","Bulge up to 0.4 mm.","Bulge over 0.4 mm or a loose brim fused on."]},{"code":"skins","name":"Rough top skins","weight":1.0,"structural":false,"look":"Every upward face.","anchors":["Even lines, no marks.","Lines show a change of direction.","Nozzle marks on one face.","Rough on one face.","Rough on every face.","Holes or pillows through the skin."]}],"specimens":[{"id":"1412f026-2837-4737-8a37-0b8e3082168e","blind_code":"3XH","artifact":"Step block","asked":["stringing","blobs","shift","warp","gaps","ringing","foot","skins"],"scores":[{"id":"cadedd79-2ee5-4b78-80c4-f03bfea19c3a","defect":"stringing","severity":1,"corrected":false,"after_reveal":null},{"id":"893af70e-e16c-4d70-916d-a4694760a3e9","defect":"blobs","severity":1,"corrected":false,"after_reveal":null},{"id":"b1f78c8e-20f7-495c-b5d5-940521e47acc","defect":"shift","severity":1,"corrected":false,"after_reveal":null},{"id":"0b3c8f09-b0b7-46d7-ba12-bf191ba37f90","defect":"warp","severity":1,"corrected":false,"after_reveal":null},{"id":"020449db-bd88-4c87-8b3b-5fa65a43376f","defect":"gaps","severity":1,"corrected":false,"after_reveal":null},{"id":"c62c72d5-1409-45ca-949c-84f028885f02","defect":"ringing","severity":1,"corrected":false,"after_reveal":null},{"id":"fa71121a-e5c7-41f0-b019-cec3222034e3","defect":"foot","severity":1,"corrected":false,"after_reveal":null},{"id":"74264dbe-7864-49a8-98f7-527aed629973","defect":"skins","severity":1,"corrected":false,"after_reveal":null}],"locked":true,"locked_by_others":0,"quality":80.0,"rejected_by":null},{"id":"8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2","blind_code":"3E9","artifact":"Step block","asked":["stringing","blobs","shift","warp","gaps","ringing","foot","skins"],"scores":[{"id":"219cf9bb-5f64-45d5-871c-e3dfb1cb22ce","defect":"stringing","severity":1,"corrected":false,"after_reveal":null},{"id":"a7251efa-f07b-4073-a811-a082c77c46f1","defect":"blobs","severity":1,"corrected":false,"after_reveal":null},{"id":"29330839-e0d4-4b1f-a81e-06cd8d62f125","defect":"shift","severity":1,"corrected":false,"after_reveal":null},{"id":"3b1ad82a-3558-423e-80a6-50d556c6f142","defect":"warp","severity":1,"corrected":false,"after_reveal":null},{"id":"7ac379e6-0a6c-4b0b-bd8a-440c7cb046bc","defect":"gaps","severity":1,"corrected":false,"after_reveal":null},{"id":"b121fdc2-7d92-4882-b17c-b9887b08bfca","defect":"ringing","severity":1,"corrected":false,"after_reveal":null},{"id":"c36894c5-eb95-48e7-b1be-b184b4765bfb","defect":"foot","severity":1,"corrected":false,"after_reveal":null},{"id":"54d4f52f-997f-48ab-9952-d186b53baec7","defect":"skins","severity":1,"corrected":false,"after_reveal":null}],"locked":true,"locked_by_others":0,"quality":80.0,"rejected_by":null}],"may_reveal":true,"reveal_needs":"","revealed_at":null}	2026-11-27 07:55:55.829366+00
d7f5b659-f51d-4039-abd6-7531f1900dfa	8d8f9b3e-08d1-4d86-9291-3681ce165478	79b7a2b1768094c68790b861d8bc4970faba22eed0ec3604b801b0526503d293	200	{"now":"2026-11-27T07:55:55.932494Z","id":"f4e7395c-f2c4-4bf5-9cce-6fe129b9f194","machine":{"unit_id":"d98f20c1-9a5a-4ed9-bd0d-c6f6adecb507","name":"Mesa","mark":0,"is_control":false},"copy_number":1,"arm":"","artifact":"Step block","spool":"S-8fed · moss PLA","file":{"id":"2272717b-a9d6-4955-b1ff-a8d1ad0cde66","name":"a.gcode","size_bytes":37152,"lines":1322,"generator":"SampleSlicer 2.5.0 on 2026-11-24 at 03:21:05 UTC","time_s":3955.0,"time_from":"comment “estimated printing time”","time_needs":null,"layers":2,"layers_need":null,"tool_changes":0,"tools":[{"tool":0,"length_mm":266.3144700000014,"length_from":"sum of the moves, priming left out","mass_g":14.95,"mass_from":"comment"}],"uses":[{"tool":0,"portion":"model","length_mm":260.05,"mass_g":14.598453262791118},{"tool":0,"portion":"skirt and brim","length_mm":6.26,"mass_g":0.3515467372088325}],"mass_g":14.95,"nozzle_c":220.0,"bed_c":60.0,"picture":false,"motion":{"planned_s":313.73601303824705,"on":"the file's own limits","moves":913,"at_asked_s":279.9639461395199,"by_flow_s":0.0,"by_axes_s":0.0,"speeding_s":33.77206689872713,"waits_s":0.0,"causes":{"asked":299.9819636614825,"flow":0.0,"axes":0.021466666666697165,"acceleration":0.5106492810525651,"corners":13.221933429045293,"waits":0.0},"speed_step":5.0,"by_speed_s":[1.02,0.0,6.1,213.34,17.88,7.64,0.15,0.38,4.08,2.33,26.27,31.89,0.0,0.1,0.0,0.12,0.0,0.0,0.0,0.0,0.0,0.2,0.88,0.25,0.31,0.0,0.0,0.81],"flow_step":0.5,"by_flow_step_s":[4.91,0.17,64.36,160.09,7.62,0.32,1.33,10.75,26.29,37.89],"by_feature_s":{"Custom":13.82,"Perimeter":14.13,"Skirt/Brim":10.2,"Solid infill":258.56,"External perimeter":17.03},"by_layer_s":[12.9,222.2,78.63],"changes_s":[]},"deviations":[],"accepted":null,"silent":[],"partial":false,"skipped":{},"warnings":[],"received_at":"2026-11-27T07:55:54.713458Z"},"reading":null,"runs":[{"id":"ac4d9a48-aad7-44fc-a7e5-c14e7282498e","version":3,"attempt":1,"unattended":false,"changed":"","started_at":"2026-11-20T17:55:53.917294Z","ended_at":"2026-11-20T18:55:53.917294Z","took_s":3600.0,"of_estimate":0.9102402022756005,"outcome":"done","cause":null,"failed_at_percent":null,"failed_at_layer":null,"uses_attempt":true,"note":"","energy_kwh":0.1,"energy_low_kwh":0.1,"energy_high_kwh":0.1,"energy_from":"meter","noise":[{"id":"39f60a5a-6ac5-45c8-ac31-232a0160b809","level_db":50.0,"background_db":20.0,"distance_m":1.0,"door_shut":true,"state":"printing","fan_percent":null,"at_1_m_db":50.0,"needs":null,"corrected":false,"taken_at":"2026-11-20T18:00:53.917294Z"}],"events":[{"id":"7744e5f7-15b5-42b1-9920-5e1e46feba8d","kind":"paused","at":"2026-11-20T18:05:53.917294Z","note":""}],"photos":[],"hypotheses":[],"rejected":null,"bag_code":null}],"most_attempts":3,"tries_used":1,"may_run_unattended":true,"unattended_refusal":"","meters":[]}	2026-11-27 07:55:55.907913+00
192228b4-883c-404d-885c-e08d64ce903a	8d8f9b3e-08d1-4d86-9291-3681ce165478	c9b290b4b56cfda76beb41f8188df2661667081310d438dd869c84b78ca1a2e1	200	{"now":"2026-11-27T07:55:55.971617Z","id":"f4e7395c-f2c4-4bf5-9cce-6fe129b9f194","machine":{"unit_id":"d98f20c1-9a5a-4ed9-bd0d-c6f6adecb507","name":"Mesa","mark":0,"is_control":false},"copy_number":1,"arm":"","artifact":"Step block","spool":"S-8fed · moss PLA","file":{"id":"2272717b-a9d6-4955-b1ff-a8d1ad0cde66","name":"a.gcode","size_bytes":37152,"lines":1322,"generator":"SampleSlicer 2.5.0 on 2026-11-24 at 03:21:05 UTC","time_s":3955.0,"time_from":"comment “estimated printing time”","time_needs":null,"layers":2,"layers_need":null,"tool_changes":0,"tools":[{"tool":0,"length_mm":266.3144700000014,"length_from":"sum of the moves, priming left out","mass_g":14.95,"mass_from":"comment"}],"uses":[{"tool":0,"portion":"model","length_mm":260.05,"mass_g":14.598453262791118},{"tool":0,"portion":"skirt and brim","length_mm":6.26,"mass_g":0.3515467372088325}],"mass_g":14.95,"nozzle_c":220.0,"bed_c":60.0,"picture":false,"motion":{"planned_s":313.73601303824705,"on":"the file's own limits","moves":913,"at_asked_s":279.9639461395199,"by_flow_s":0.0,"by_axes_s":0.0,"speeding_s":33.77206689872713,"waits_s":0.0,"causes":{"asked":299.9819636614825,"flow":0.0,"axes":0.021466666666697165,"acceleration":0.5106492810525651,"corners":13.221933429045293,"waits":0.0},"speed_step":5.0,"by_speed_s":[1.02,0.0,6.1,213.34,17.88,7.64,0.15,0.38,4.08,2.33,26.27,31.89,0.0,0.1,0.0,0.12,0.0,0.0,0.0,0.0,0.0,0.2,0.88,0.25,0.31,0.0,0.0,0.81],"flow_step":0.5,"by_flow_step_s":[4.91,0.17,64.36,160.09,7.62,0.32,1.33,10.75,26.29,37.89],"by_feature_s":{"Custom":13.82,"Perimeter":14.13,"Skirt/Brim":10.2,"Solid infill":258.56,"External perimeter":17.03},"by_layer_s":[12.9,222.2,78.63],"changes_s":[]},"deviations":[],"accepted":null,"silent":[],"partial":false,"skipped":{},"warnings":[],"received_at":"2026-11-27T07:55:54.713458Z"},"reading":null,"runs":[{"id":"ac4d9a48-aad7-44fc-a7e5-c14e7282498e","version":3,"attempt":1,"unattended":false,"changed":"","started_at":"2026-11-20T17:55:53.917294Z","ended_at":"2026-11-20T18:55:53.917294Z","took_s":3600.0,"of_estimate":0.9102402022756005,"outcome":"done","cause":null,"failed_at_percent":null,"failed_at_layer":null,"uses_attempt":true,"note":"","energy_kwh":0.1,"energy_low_kwh":0.1,"energy_high_kwh":0.1,"energy_from":"meter","noise":[{"id":"39f60a5a-6ac5-45c8-ac31-232a0160b809","level_db":50.0,"background_db":20.0,"distance_m":1.0,"door_shut":true,"state":"printing","fan_percent":null,"at_1_m_db":50.0,"needs":null,"corrected":false,"taken_at":"2026-11-20T18:00:53.917294Z"}],"events":[{"id":"7744e5f7-15b5-42b1-9920-5e1e46feba8d","kind":"paused","at":"2026-11-20T18:05:53.917294Z","note":""},{"id":"8675ff41-dde5-4a3f-8d7d-5415beed1d54","kind":"printing","at":"2026-11-20T18:20:53.917294Z","note":""}],"photos":[],"hypotheses":[],"rejected":null,"bag_code":null}],"most_attempts":3,"tries_used":1,"may_run_unattended":true,"unattended_refusal":"","meters":[]}	2026-11-27 07:55:55.951846+00
b2a3097d-57cd-4423-ad78-3a4174df8188	8d8f9b3e-08d1-4d86-9291-3681ce165478	2257adf70257e9398d4e6820d7bc86a4557c4defd5110bc7cff027fc30b4d703	200	{"currency":"EUR","checks":[{"kind":"mains","title":"Mains selector","look":"Unplugged: the voltage selector, where there is one, stands on the local voltage.","caution":"Never open a powered unit. What the maker and the local code say comes first.","fails":"Failed, it ends all testing on this unit until a re-check passes."},{"kind":"cables","title":"Cables and plug","look":"Unplugged: cable, plug and inlet whole, nothing pinched, strain relief firm, no bare wire to be seen.","caution":"A tingle, a damaged cable or a missing earth means stop, unplug, and have a qualified person check.","fails":"Failed, it ends all testing on this unit until a re-check passes."},{"kind":"earth","title":"Protective earth and touch current","look":"Record what a qualified person measured: earth continuity and touch current within the local limits.","caution":"Only for a qualified person with a suitable meter, by the local code. Crevlo gives no instructions for it.","fails":"Failed, it ends all testing on this unit until a re-check passes."},{"kind":"runaway","title":"Thermal-runaway response","look":"The unit stops heating and says so when a heater does not follow, tested as its maker describes.","caution":"Keep a working smoke alarm and clear surroundings, and stay. The maker's instructions come first.","fails":"Failed, it ends all testing on this unit until a re-check passes."},{"kind":"stop","title":"Emergency stop","look":"Switch or stop within reach, and everything still within a moment of using it.","caution":"Nozzle and bed burn, moving axes pinch: hands away while it moves.","fails":"Failed, it closes the gate on unattended printing until a re-check passes."},{"kind":"screws","title":"Loose screws, belts and clips","look":"Cold and at rest: grub screws on pulleys, belts, plate clips and connectors tight; surroundings clear.","caution":"Unplugged where the maker says so. Cut and pry away from the hand, with eye protection.","fails":"Failed, it closes the gate on unattended printing until a re-check passes."}],"units":[{"machine":{"unit_id":"d98f20c1-9a5a-4ed9-bd0d-c6f6adecb507","name":"Mesa","mark":0,"is_control":false},"version":2,"serial":null,"currency":"EUR","price_paid":400.0,"list_price":null,"list_currency":"EUR","upgrades":0.0,"residual":0.0,"obtained":"bought","obtained_from":null,"received_on":null,"firmware":"as delivered","nozzle_mm":0.4,"bed_x_mm":220.0,"bed_y_mm":220.0,"height_mm":250.0,"is_round":false,"weight_kg":null,"checks":[{"id":null,"kind":"mains","result":null,"note":"","done_by":"","done_at":null,"times_done":0,"photos":[],"history":[]},{"id":null,"kind":"cables","result":null,"note":"","done_by":"","done_at":null,"times_done":0,"photos":[],"history":[]},{"id":null,"kind":"earth","result":null,"note":"","done_by":"","done_at":null,"times_done":0,"photos":[],"history":[]},{"id":null,"kind":"runaway","result":null,"note":"","done_by":"","done_at":null,"times_done":0,"photos":[],"history":[]},{"id":null,"kind":"stop","result":null,"note":"","done_by":"","done_at":null,"times_done":0,"photos":[],"history":[]},{"id":null,"kind":"screws","result":null,"note":"","done_by":"","done_at":null,"times_done":0,"photos":[],"history":[]}],"may_run_unattended":false,"may_run":true,"may_not_run_because":null,"needs":[],"on_record":[],"not_recommended":"","priced_on":"2026-11-27","disclosure":"Mesa was bought for 400 EUR.","disclosure_more":"","day_price":null,"day_price_on":null,"first_power_on":null},{"machine":{"unit_id":"8380a138-3770-44a9-90a5-ec9018a29770","name":"Sparrow","mark":1,"is_control":false},"version":1,"serial":null,"currency":"EUR","price_paid":null,"list_price":null,"list_currency":"EUR","upgrades":0.0,"residual":0.0,"obtained":null,"obtained_from":null,"received_on":null,"firmware":"as delivered","nozzle_mm":0.4,"bed_x_mm":220.0,"bed_y_mm":220.0,"height_mm":250.0,"is_round":false,"weight_kg":null,"checks":[{"id":null,"kind":"mains","result":null,"note":"","done_by":"","done_at":null,"times_done":0,"photos":[],"history":[]},{"id":null,"kind":"cables","result":null,"note":"","done_by":"","done_at":null,"times_done":0,"photos":[],"history":[]},{"id":null,"kind":"earth","result":null,"note":"","done_by":"","done_at":null,"times_done":0,"photos":[],"history":[]},{"id":null,"kind":"runaway","result":null,"note":"","done_by":"","done_at":null,"times_done":0,"photos":[],"history":[]},{"id":null,"kind":"stop","result":null,"note":"","done_by":"","done_at":null,"times_done":0,"photos":[],"history":[]},{"id":null,"kind":"screws","result":null,"note":"","done_by":"","done_at":null,"times_done":0,"photos":[],"history":[]}],"may_run_unattended":false,"may_run":true,"may_not_run_because":null,"needs":[],"on_record":[],"not_recommended":"","priced_on":null,"disclosure":null,"disclosure_more":"","day_price":null,"day_price_on":null,"first_power_on":null}]}	2026-11-27 07:55:53.810219+00
5416c3f5-f60f-4538-a642-2fce024e51d4	8d8f9b3e-08d1-4d86-9291-3681ce165478	c994df4db0cd2393b1cddc5ea1eee50ade98cf781770ce673cac71e05dcac41c	200	{"currency":"EUR","checks":[{"kind":"mains","title":"Mains selector","look":"Unplugged: the voltage selector, where there is one, stands on the local voltage.","caution":"Never open a powered unit. What the maker and the local code say comes first.","fails":"Failed, it ends all testing on this unit until a re-check passes."},{"kind":"cables","title":"Cables and plug","look":"Unplugged: cable, plug and inlet whole, nothing pinched, strain relief firm, no bare wire to be seen.","caution":"A tingle, a damaged cable or a missing earth means stop, unplug, and have a qualified person check.","fails":"Failed, it ends all testing on this unit until a re-check passes."},{"kind":"earth","title":"Protective earth and touch current","look":"Record what a qualified person measured: earth continuity and touch current within the local limits.","caution":"Only for a qualified person with a suitable meter, by the local code. Crevlo gives no instructions for it.","fails":"Failed, it ends all testing on this unit until a re-check passes."},{"kind":"runaway","title":"Thermal-runaway response","look":"The unit stops heating and says so when a heater does not follow, tested as its maker describes.","caution":"Keep a working smoke alarm and clear surroundings, and stay. The maker's instructions come first.","fails":"Failed, it ends all testing on this unit until a re-check passes."},{"kind":"stop","title":"Emergency stop","look":"Switch or stop within reach, and everything still within a moment of using it.","caution":"Nozzle and bed burn, moving axes pinch: hands away while it moves.","fails":"Failed, it closes the gate on unattended printing until a re-check passes."},{"kind":"screws","title":"Loose screws, belts and clips","look":"Cold and at rest: grub screws on pulleys, belts, plate clips and connectors tight; surroundings clear.","caution":"Unplugged where the maker says so. Cut and pry away from the hand, with eye protection.","fails":"Failed, it closes the gate on unattended printing until a re-check passes."}],"units":[{"machine":{"unit_id":"d98f20c1-9a5a-4ed9-bd0d-c6f6adecb507","name":"Mesa","mark":0,"is_control":false},"version":2,"serial":null,"currency":"EUR","price_paid":400.0,"list_price":null,"list_currency":"EUR","upgrades":0.0,"residual":0.0,"obtained":"bought","obtained_from":null,"received_on":null,"firmware":"as delivered","nozzle_mm":0.4,"bed_x_mm":220.0,"bed_y_mm":220.0,"height_mm":250.0,"is_round":false,"weight_kg":null,"checks":[{"id":"3e826b99-2241-4cd9-b15e-95aa1e85efeb","kind":"mains","result":"pass","note":"","done_by":"Somebody","done_at":"2026-11-19T07:55:53.843332Z","times_done":1,"photos":[],"history":[]},{"id":"91c01feb-7c08-4d8d-93ae-eabe41ef7830","kind":"cables","result":"pass","note":"","done_by":"Somebody","done_at":"2026-11-19T07:55:53.843332Z","times_done":1,"photos":[],"history":[]},{"id":"e63b9077-fbb9-4292-be00-e4d39e885941","kind":"earth","result":"pass","note":"","done_by":"An electrician","done_at":"2026-11-19T07:55:53.843332Z","times_done":1,"photos":[],"history":[]},{"id":"848ec303-e9d4-4691-b9cb-ed7084e9af83","kind":"runaway","result":"pass","note":"","done_by":"Somebody","done_at":"2026-11-19T07:55:53.843332Z","times_done":1,"photos":[],"history":[]},{"id":"bb23393e-2114-4af9-a388-a8102f28158f","kind":"stop","result":"pass","note":"","done_by":"Somebody","done_at":"2026-11-19T07:55:53.843332Z","times_done":1,"photos":[],"history":[]},{"id":"cdd81665-c418-480c-9e63-c84f9a8699c8","kind":"screws","result":"pass","note":"","done_by":"Somebody","done_at":"2026-11-19T07:55:53.843332Z","times_done":1,"photos":[],"history":[]}],"may_run_unattended":true,"may_run":true,"may_not_run_because":null,"needs":[],"on_record":[],"not_recommended":"","priced_on":"2026-11-27","disclosure":"Mesa was bought for 400 EUR.","disclosure_more":"","day_price":null,"day_price_on":null,"first_power_on":null},{"machine":{"unit_id":"8380a138-3770-44a9-90a5-ec9018a29770","name":"Sparrow","mark":1,"is_control":false},"version":1,"serial":null,"currency":"EUR","price_paid":null,"list_price":null,"list_currency":"EUR","upgrades":0.0,"residual":0.0,"obtained":null,"obtained_from":null,"received_on":null,"firmware":"as delivered","nozzle_mm":0.4,"bed_x_mm":220.0,"bed_y_mm":220.0,"height_mm":250.0,"is_round":false,"weight_kg":null,"checks":[{"id":null,"kind":"mains","result":null,"note":"","done_by":"","done_at":null,"times_done":0,"photos":[],"history":[]},{"id":null,"kind":"cables","result":null,"note":"","done_by":"","done_at":null,"times_done":0,"photos":[],"history":[]},{"id":null,"kind":"earth","result":null,"note":"","done_by":"","done_at":null,"times_done":0,"photos":[],"history":[]},{"id":null,"kind":"runaway","result":null,"note":"","done_by":"","done_at":null,"times_done":0,"photos":[],"history":[]},{"id":null,"kind":"stop","result":null,"note":"","done_by":"","done_at":null,"times_done":0,"photos":[],"history":[]},{"id":null,"kind":"screws","result":null,"note":"","done_by":"","done_at":null,"times_done":0,"photos":[],"history":[]}],"may_run_unattended":false,"may_run":true,"may_not_run_because":null,"needs":[],"on_record":[],"not_recommended":"","priced_on":null,"disclosure":null,"disclosure_more":"","day_price":null,"day_price_on":null,"first_power_on":null}]}	2026-11-27 07:55:53.847255+00
b87fb7e1-73d4-4ac5-a22a-2550d5e4156c	8d8f9b3e-08d1-4d86-9291-3681ce165478	009c2da9fef077c2a211a6aa6f939a44c9f903777d9e7ff51838e6f1df57f1e4	200	{"currency":"EUR","checks":[{"kind":"mains","title":"Mains selector","look":"Unplugged: the voltage selector, where there is one, stands on the local voltage.","caution":"Never open a powered unit. What the maker and the local code say comes first.","fails":"Failed, it ends all testing on this unit until a re-check passes."},{"kind":"cables","title":"Cables and plug","look":"Unplugged: cable, plug and inlet whole, nothing pinched, strain relief firm, no bare wire to be seen.","caution":"A tingle, a damaged cable or a missing earth means stop, unplug, and have a qualified person check.","fails":"Failed, it ends all testing on this unit until a re-check passes."},{"kind":"earth","title":"Protective earth and touch current","look":"Record what a qualified person measured: earth continuity and touch current within the local limits.","caution":"Only for a qualified person with a suitable meter, by the local code. Crevlo gives no instructions for it.","fails":"Failed, it ends all testing on this unit until a re-check passes."},{"kind":"runaway","title":"Thermal-runaway response","look":"The unit stops heating and says so when a heater does not follow, tested as its maker describes.","caution":"Keep a working smoke alarm and clear surroundings, and stay. The maker's instructions come first.","fails":"Failed, it ends all testing on this unit until a re-check passes."},{"kind":"stop","title":"Emergency stop","look":"Switch or stop within reach, and everything still within a moment of using it.","caution":"Nozzle and bed burn, moving axes pinch: hands away while it moves.","fails":"Failed, it closes the gate on unattended printing until a re-check passes."},{"kind":"screws","title":"Loose screws, belts and clips","look":"Cold and at rest: grub screws on pulleys, belts, plate clips and connectors tight; surroundings clear.","caution":"Unplugged where the maker says so. Cut and pry away from the hand, with eye protection.","fails":"Failed, it closes the gate on unattended printing until a re-check passes."}],"units":[{"machine":{"unit_id":"d98f20c1-9a5a-4ed9-bd0d-c6f6adecb507","name":"Mesa","mark":0,"is_control":false},"version":2,"serial":null,"currency":"EUR","price_paid":400.0,"list_price":null,"list_currency":"EUR","upgrades":0.0,"residual":0.0,"obtained":"bought","obtained_from":null,"received_on":null,"firmware":"as delivered","nozzle_mm":0.4,"bed_x_mm":220.0,"bed_y_mm":220.0,"height_mm":250.0,"is_round":false,"weight_kg":null,"checks":[{"id":"3e826b99-2241-4cd9-b15e-95aa1e85efeb","kind":"mains","result":"pass","note":"","done_by":"Somebody","done_at":"2026-11-19T07:55:53.843332Z","times_done":1,"photos":[],"history":[]},{"id":"91c01feb-7c08-4d8d-93ae-eabe41ef7830","kind":"cables","result":"pass","note":"","done_by":"Somebody","done_at":"2026-11-19T07:55:53.843332Z","times_done":1,"photos":[],"history":[]},{"id":"e63b9077-fbb9-4292-be00-e4d39e885941","kind":"earth","result":"pass","note":"","done_by":"An electrician","done_at":"2026-11-19T07:55:53.843332Z","times_done":1,"photos":[],"history":[]},{"id":"848ec303-e9d4-4691-b9cb-ed7084e9af83","kind":"runaway","result":"pass","note":"","done_by":"Somebody","done_at":"2026-11-19T07:55:53.843332Z","times_done":1,"photos":[],"history":[]},{"id":"bb23393e-2114-4af9-a388-a8102f28158f","kind":"stop","result":"pass","note":"","done_by":"Somebody","done_at":"2026-11-19T07:55:53.843332Z","times_done":1,"photos":[],"history":[]},{"id":"cdd81665-c418-480c-9e63-c84f9a8699c8","kind":"screws","result":"pass","note":"","done_by":"Somebody","done_at":"2026-11-19T07:55:53.843332Z","times_done":1,"photos":[],"history":[]}],"may_run_unattended":true,"may_run":true,"may_not_run_because":null,"needs":[],"on_record":[],"not_recommended":"","priced_on":"2026-11-27","disclosure":"Mesa was bought for 400 EUR.","disclosure_more":"","day_price":null,"day_price_on":null,"first_power_on":null},{"machine":{"unit_id":"8380a138-3770-44a9-90a5-ec9018a29770","name":"Sparrow","mark":1,"is_control":false},"version":2,"serial":null,"currency":"EUR","price_paid":400.0,"list_price":null,"list_currency":"EUR","upgrades":0.0,"residual":0.0,"obtained":"bought","obtained_from":null,"received_on":null,"firmware":"as delivered","nozzle_mm":0.4,"bed_x_mm":220.0,"bed_y_mm":220.0,"height_mm":250.0,"is_round":false,"weight_kg":null,"checks":[{"id":null,"kind":"mains","result":null,"note":"","done_by":"","done_at":null,"times_done":0,"photos":[],"history":[]},{"id":null,"kind":"cables","result":null,"note":"","done_by":"","done_at":null,"times_done":0,"photos":[],"history":[]},{"id":null,"kind":"earth","result":null,"note":"","done_by":"","done_at":null,"times_done":0,"photos":[],"history":[]},{"id":null,"kind":"runaway","result":null,"note":"","done_by":"","done_at":null,"times_done":0,"photos":[],"history":[]},{"id":null,"kind":"stop","result":null,"note":"","done_by":"","done_at":null,"times_done":0,"photos":[],"history":[]},{"id":null,"kind":"screws","result":null,"note":"","done_by":"","done_at":null,"times_done":0,"photos":[],"history":[]}],"may_run_unattended":false,"may_run":true,"may_not_run_because":null,"needs":[],"on_record":[],"not_recommended":"","priced_on":"2026-11-27","disclosure":"Sparrow was bought for 400 EUR.","disclosure_more":"","day_price":null,"day_price_on":null,"first_power_on":null}]}	2026-11-27 07:55:53.871662+00
4ee6af45-bee9-41f3-a4c8-0fb4121dae0c	8d8f9b3e-08d1-4d86-9291-3681ce165478	ba66883bc4f16c6fae8fc57a6425398944dad888f740990fc4393b22f9fc8840	200	{"currency":"EUR","checks":[{"kind":"mains","title":"Mains selector","look":"Unplugged: the voltage selector, where there is one, stands on the local voltage.","caution":"Never open a powered unit. What the maker and the local code say comes first.","fails":"Failed, it ends all testing on this unit until a re-check passes."},{"kind":"cables","title":"Cables and plug","look":"Unplugged: cable, plug and inlet whole, nothing pinched, strain relief firm, no bare wire to be seen.","caution":"A tingle, a damaged cable or a missing earth means stop, unplug, and have a qualified person check.","fails":"Failed, it ends all testing on this unit until a re-check passes."},{"kind":"earth","title":"Protective earth and touch current","look":"Record what a qualified person measured: earth continuity and touch current within the local limits.","caution":"Only for a qualified person with a suitable meter, by the local code. Crevlo gives no instructions for it.","fails":"Failed, it ends all testing on this unit until a re-check passes."},{"kind":"runaway","title":"Thermal-runaway response","look":"The unit stops heating and says so when a heater does not follow, tested as its maker describes.","caution":"Keep a working smoke alarm and clear surroundings, and stay. The maker's instructions come first.","fails":"Failed, it ends all testing on this unit until a re-check passes."},{"kind":"stop","title":"Emergency stop","look":"Switch or stop within reach, and everything still within a moment of using it.","caution":"Nozzle and bed burn, moving axes pinch: hands away while it moves.","fails":"Failed, it closes the gate on unattended printing until a re-check passes."},{"kind":"screws","title":"Loose screws, belts and clips","look":"Cold and at rest: grub screws on pulleys, belts, plate clips and connectors tight; surroundings clear.","caution":"Unplugged where the maker says so. Cut and pry away from the hand, with eye protection.","fails":"Failed, it closes the gate on unattended printing until a re-check passes."}],"units":[{"machine":{"unit_id":"d98f20c1-9a5a-4ed9-bd0d-c6f6adecb507","name":"Mesa","mark":0,"is_control":false},"version":2,"serial":null,"currency":"EUR","price_paid":400.0,"list_price":null,"list_currency":"EUR","upgrades":0.0,"residual":0.0,"obtained":"bought","obtained_from":null,"received_on":null,"firmware":"as delivered","nozzle_mm":0.4,"bed_x_mm":220.0,"bed_y_mm":220.0,"height_mm":250.0,"is_round":false,"weight_kg":null,"checks":[{"id":"3e826b99-2241-4cd9-b15e-95aa1e85efeb","kind":"mains","result":"pass","note":"","done_by":"Somebody","done_at":"2026-11-19T07:55:53.843332Z","times_done":1,"photos":[],"history":[]},{"id":"91c01feb-7c08-4d8d-93ae-eabe41ef7830","kind":"cables","result":"pass","note":"","done_by":"Somebody","done_at":"2026-11-19T07:55:53.843332Z","times_done":1,"photos":[],"history":[]},{"id":"e63b9077-fbb9-4292-be00-e4d39e885941","kind":"earth","result":"pass","note":"","done_by":"An electrician","done_at":"2026-11-19T07:55:53.843332Z","times_done":1,"photos":[],"history":[]},{"id":"848ec303-e9d4-4691-b9cb-ed7084e9af83","kind":"runaway","result":"pass","note":"","done_by":"Somebody","done_at":"2026-11-19T07:55:53.843332Z","times_done":1,"photos":[],"history":[]},{"id":"bb23393e-2114-4af9-a388-a8102f28158f","kind":"stop","result":"pass","note":"","done_by":"Somebody","done_at":"2026-11-19T07:55:53.843332Z","times_done":1,"photos":[],"history":[]},{"id":"cdd81665-c418-480c-9e63-c84f9a8699c8","kind":"screws","result":"pass","note":"","done_by":"Somebody","done_at":"2026-11-19T07:55:53.843332Z","times_done":1,"photos":[],"history":[]}],"may_run_unattended":true,"may_run":true,"may_not_run_because":null,"needs":[],"on_record":[],"not_recommended":"","priced_on":"2026-11-27","disclosure":"Mesa was bought for 400 EUR.","disclosure_more":"","day_price":null,"day_price_on":null,"first_power_on":null},{"machine":{"unit_id":"8380a138-3770-44a9-90a5-ec9018a29770","name":"Sparrow","mark":1,"is_control":false},"version":2,"serial":null,"currency":"EUR","price_paid":400.0,"list_price":null,"list_currency":"EUR","upgrades":0.0,"residual":0.0,"obtained":"bought","obtained_from":null,"received_on":null,"firmware":"as delivered","nozzle_mm":0.4,"bed_x_mm":220.0,"bed_y_mm":220.0,"height_mm":250.0,"is_round":false,"weight_kg":null,"checks":[{"id":"39f19a46-9ec8-4fb6-ac31-ce33ca244d7a","kind":"mains","result":"pass","note":"","done_by":"Somebody","done_at":"2026-11-19T07:55:53.894564Z","times_done":1,"photos":[],"history":[]},{"id":"27840336-78fb-40b8-8b16-17a7c97971b7","kind":"cables","result":"pass","note":"","done_by":"Somebody","done_at":"2026-11-19T07:55:53.894564Z","times_done":1,"photos":[],"history":[]},{"id":"e413ccbf-b515-4067-a95c-251a4694d0d9","kind":"earth","result":"pass","note":"","done_by":"An electrician","done_at":"2026-11-19T07:55:53.894564Z","times_done":1,"photos":[],"history":[]},{"id":"746f771d-3f58-4e9f-814b-84b163ee75a8","kind":"runaway","result":"pass","note":"","done_by":"Somebody","done_at":"2026-11-19T07:55:53.894564Z","times_done":1,"photos":[],"history":[]},{"id":"b6aaa8da-5160-4eae-800e-8f6b9e65191b","kind":"stop","result":"pass","note":"","done_by":"Somebody","done_at":"2026-11-19T07:55:53.894564Z","times_done":1,"photos":[],"history":[]},{"id":"5da738d5-2dcc-4392-9201-1c4f873d46a1","kind":"screws","result":"pass","note":"","done_by":"Somebody","done_at":"2026-11-19T07:55:53.894564Z","times_done":1,"photos":[],"history":[]}],"may_run_unattended":true,"may_run":true,"may_not_run_because":null,"needs":[],"on_record":[],"not_recommended":"","priced_on":"2026-11-27","disclosure":"Sparrow was bought for 400 EUR.","disclosure_more":"","day_price":null,"day_price_on":null,"first_power_on":null}]}	2026-11-27 07:55:53.898268+00
a1cd5281-d24e-4548-b997-c770981453b1	8d8f9b3e-08d1-4d86-9291-3681ce165478	43ac48f346cafe102dc6ee9b53a2176317e3ad2b555c1ee20e55087591a32be0	200	{"now":"2026-11-27T07:55:54.443581Z","id":"dfe75c65-fbc7-4e42-b2b8-c03457f5fb3f","machine":{"unit_id":"8380a138-3770-44a9-90a5-ec9018a29770","name":"Sparrow","mark":1,"is_control":false},"copy_number":1,"arm":"","artifact":"Step block","spool":"S-8fed · moss PLA","file":{"id":"2bc388e5-803d-458c-ac6d-bc65832431a9","name":"a.gcode","size_bytes":37152,"lines":1322,"generator":"SampleSlicer 2.5.0 on 2026-11-24 at 03:21:05 UTC","time_s":3955.0,"time_from":"comment “estimated printing time”","time_needs":null,"layers":2,"layers_need":null,"tool_changes":0,"tools":[{"tool":0,"length_mm":266.3144700000014,"length_from":"sum of the moves, priming left out","mass_g":14.95,"mass_from":"comment"}],"uses":[{"tool":0,"portion":"model","length_mm":260.05,"mass_g":14.598453262791118},{"tool":0,"portion":"skirt and brim","length_mm":6.26,"mass_g":0.3515467372088325}],"mass_g":14.95,"nozzle_c":220.0,"bed_c":60.0,"picture":false,"motion":{"planned_s":313.73601303824705,"on":"the file's own limits","moves":913,"at_asked_s":279.9639461395199,"by_flow_s":0.0,"by_axes_s":0.0,"speeding_s":33.77206689872713,"waits_s":0.0,"causes":{"asked":299.9819636614825,"flow":0.0,"axes":0.021466666666697165,"acceleration":0.5106492810525651,"corners":13.221933429045293,"waits":0.0},"speed_step":5.0,"by_speed_s":[1.02,0.0,6.1,213.34,17.88,7.64,0.15,0.38,4.08,2.33,26.27,31.89,0.0,0.1,0.0,0.12,0.0,0.0,0.0,0.0,0.0,0.2,0.88,0.25,0.31,0.0,0.0,0.81],"flow_step":0.5,"by_flow_step_s":[4.91,0.17,64.36,160.09,7.62,0.32,1.33,10.75,26.29,37.89],"by_feature_s":{"Custom":13.82,"Perimeter":14.13,"Skirt/Brim":10.2,"Solid infill":258.56,"External perimeter":17.03},"by_layer_s":[12.9,222.2,78.63],"changes_s":[]},"deviations":[],"accepted":null,"silent":[],"partial":false,"skipped":{},"warnings":[],"received_at":"2026-11-27T07:55:54.416408Z"},"reading":null,"runs":[],"most_attempts":3,"tries_used":0,"may_run_unattended":true,"unattended_refusal":"","meters":[]}	2026-11-27 07:55:53.94152+00
62b65e88-9143-412c-a05d-5be21be844ce	8d8f9b3e-08d1-4d86-9291-3681ce165478	748714b4bb9cabbd1436c42d0c5ea9588e0da4b7cb84a3f4147fad06dc0981e4	200	{"now":"2026-11-27T07:55:54.502119Z","id":"dfe75c65-fbc7-4e42-b2b8-c03457f5fb3f","machine":{"unit_id":"8380a138-3770-44a9-90a5-ec9018a29770","name":"Sparrow","mark":1,"is_control":false},"copy_number":1,"arm":"","artifact":"Step block","spool":"S-8fed · moss PLA","file":{"id":"2bc388e5-803d-458c-ac6d-bc65832431a9","name":"a.gcode","size_bytes":37152,"lines":1322,"generator":"SampleSlicer 2.5.0 on 2026-11-24 at 03:21:05 UTC","time_s":3955.0,"time_from":"comment “estimated printing time”","time_needs":null,"layers":2,"layers_need":null,"tool_changes":0,"tools":[{"tool":0,"length_mm":266.3144700000014,"length_from":"sum of the moves, priming left out","mass_g":14.95,"mass_from":"comment"}],"uses":[{"tool":0,"portion":"model","length_mm":260.05,"mass_g":14.598453262791118},{"tool":0,"portion":"skirt and brim","length_mm":6.26,"mass_g":0.3515467372088325}],"mass_g":14.95,"nozzle_c":220.0,"bed_c":60.0,"picture":false,"motion":{"planned_s":313.73601303824705,"on":"the file's own limits","moves":913,"at_asked_s":279.9639461395199,"by_flow_s":0.0,"by_axes_s":0.0,"speeding_s":33.77206689872713,"waits_s":0.0,"causes":{"asked":299.9819636614825,"flow":0.0,"axes":0.021466666666697165,"acceleration":0.5106492810525651,"corners":13.221933429045293,"waits":0.0},"speed_step":5.0,"by_speed_s":[1.02,0.0,6.1,213.34,17.88,7.64,0.15,0.38,4.08,2.33,26.27,31.89,0.0,0.1,0.0,0.12,0.0,0.0,0.0,0.0,0.0,0.2,0.88,0.25,0.31,0.0,0.0,0.81],"flow_step":0.5,"by_flow_step_s":[4.91,0.17,64.36,160.09,7.62,0.32,1.33,10.75,26.29,37.89],"by_feature_s":{"Custom":13.82,"Perimeter":14.13,"Skirt/Brim":10.2,"Solid infill":258.56,"External perimeter":17.03},"by_layer_s":[12.9,222.2,78.63],"changes_s":[]},"deviations":[],"accepted":null,"silent":[],"partial":false,"skipped":{},"warnings":[],"received_at":"2026-11-27T07:55:54.416408Z"},"reading":null,"runs":[{"id":"1ceb6e32-447e-4e99-885e-2768796e2865","version":1,"attempt":1,"unattended":false,"changed":"","started_at":"2026-11-20T12:55:53.917294Z","ended_at":null,"took_s":null,"of_estimate":null,"outcome":null,"cause":null,"failed_at_percent":null,"failed_at_layer":null,"uses_attempt":true,"note":"","energy_kwh":null,"energy_low_kwh":null,"energy_high_kwh":null,"energy_from":null,"noise":[],"events":[],"photos":[],"hypotheses":[],"rejected":null,"bag_code":null}],"most_attempts":3,"tries_used":1,"may_run_unattended":true,"unattended_refusal":"","meters":[]}	2026-11-27 07:55:54.46253+00
015c9d6b-23b8-4111-9eaf-1a0704d6b276	8d8f9b3e-08d1-4d86-9291-3681ce165478	698ddf79e128a9983f3ece5b805039cab2c5964e000f42182a00adf1685f48cf	200	{"now":"2026-11-27T07:55:54.566462Z","id":"dfe75c65-fbc7-4e42-b2b8-c03457f5fb3f","machine":{"unit_id":"8380a138-3770-44a9-90a5-ec9018a29770","name":"Sparrow","mark":1,"is_control":false},"copy_number":1,"arm":"","artifact":"Step block","spool":"S-8fed · moss PLA","file":{"id":"2bc388e5-803d-458c-ac6d-bc65832431a9","name":"a.gcode","size_bytes":37152,"lines":1322,"generator":"SampleSlicer 2.5.0 on 2026-11-24 at 03:21:05 UTC","time_s":3955.0,"time_from":"comment “estimated printing time”","time_needs":null,"layers":2,"layers_need":null,"tool_changes":0,"tools":[{"tool":0,"length_mm":266.3144700000014,"length_from":"sum of the moves, priming left out","mass_g":14.95,"mass_from":"comment"}],"uses":[{"tool":0,"portion":"model","length_mm":260.05,"mass_g":14.598453262791118},{"tool":0,"portion":"skirt and brim","length_mm":6.26,"mass_g":0.3515467372088325}],"mass_g":14.95,"nozzle_c":220.0,"bed_c":60.0,"picture":false,"motion":{"planned_s":313.73601303824705,"on":"the file's own limits","moves":913,"at_asked_s":279.9639461395199,"by_flow_s":0.0,"by_axes_s":0.0,"speeding_s":33.77206689872713,"waits_s":0.0,"causes":{"asked":299.9819636614825,"flow":0.0,"axes":0.021466666666697165,"acceleration":0.5106492810525651,"corners":13.221933429045293,"waits":0.0},"speed_step":5.0,"by_speed_s":[1.02,0.0,6.1,213.34,17.88,7.64,0.15,0.38,4.08,2.33,26.27,31.89,0.0,0.1,0.0,0.12,0.0,0.0,0.0,0.0,0.0,0.2,0.88,0.25,0.31,0.0,0.0,0.81],"flow_step":0.5,"by_flow_step_s":[4.91,0.17,64.36,160.09,7.62,0.32,1.33,10.75,26.29,37.89],"by_feature_s":{"Custom":13.82,"Perimeter":14.13,"Skirt/Brim":10.2,"Solid infill":258.56,"External perimeter":17.03},"by_layer_s":[12.9,222.2,78.63],"changes_s":[]},"deviations":[],"accepted":null,"silent":[],"partial":false,"skipped":{},"warnings":[],"received_at":"2026-11-27T07:55:54.416408Z"},"reading":null,"runs":[{"id":"1ceb6e32-447e-4e99-885e-2768796e2865","version":2,"attempt":1,"unattended":false,"changed":"","started_at":"2026-11-20T12:55:53.917294Z","ended_at":null,"took_s":null,"of_estimate":null,"outcome":null,"cause":null,"failed_at_percent":null,"failed_at_layer":null,"uses_attempt":true,"note":"","energy_kwh":0.1,"energy_low_kwh":0.1,"energy_high_kwh":0.1,"energy_from":"meter","noise":[],"events":[],"photos":[],"hypotheses":[],"rejected":null,"bag_code":null}],"most_attempts":3,"tries_used":1,"may_run_unattended":true,"unattended_refusal":"","meters":[]}	2026-11-27 07:55:54.536821+00
f379c07b-5abe-4da1-9b36-f6ad60d188c5	8d8f9b3e-08d1-4d86-9291-3681ce165478	ee8cd6a76f1cbdae0541dd14bccbcbb780e68f4301de9d2450f0da39e3af2abf	200	{"now":"2026-11-27T07:55:54.615652Z","id":"dfe75c65-fbc7-4e42-b2b8-c03457f5fb3f","machine":{"unit_id":"8380a138-3770-44a9-90a5-ec9018a29770","name":"Sparrow","mark":1,"is_control":false},"copy_number":1,"arm":"","artifact":"Step block","spool":"S-8fed · moss PLA","file":{"id":"2bc388e5-803d-458c-ac6d-bc65832431a9","name":"a.gcode","size_bytes":37152,"lines":1322,"generator":"SampleSlicer 2.5.0 on 2026-11-24 at 03:21:05 UTC","time_s":3955.0,"time_from":"comment “estimated printing time”","time_needs":null,"layers":2,"layers_need":null,"tool_changes":0,"tools":[{"tool":0,"length_mm":266.3144700000014,"length_from":"sum of the moves, priming left out","mass_g":14.95,"mass_from":"comment"}],"uses":[{"tool":0,"portion":"model","length_mm":260.05,"mass_g":14.598453262791118},{"tool":0,"portion":"skirt and brim","length_mm":6.26,"mass_g":0.3515467372088325}],"mass_g":14.95,"nozzle_c":220.0,"bed_c":60.0,"picture":false,"motion":{"planned_s":313.73601303824705,"on":"the file's own limits","moves":913,"at_asked_s":279.9639461395199,"by_flow_s":0.0,"by_axes_s":0.0,"speeding_s":33.77206689872713,"waits_s":0.0,"causes":{"asked":299.9819636614825,"flow":0.0,"axes":0.021466666666697165,"acceleration":0.5106492810525651,"corners":13.221933429045293,"waits":0.0},"speed_step":5.0,"by_speed_s":[1.02,0.0,6.1,213.34,17.88,7.64,0.15,0.38,4.08,2.33,26.27,31.89,0.0,0.1,0.0,0.12,0.0,0.0,0.0,0.0,0.0,0.2,0.88,0.25,0.31,0.0,0.0,0.81],"flow_step":0.5,"by_flow_step_s":[4.91,0.17,64.36,160.09,7.62,0.32,1.33,10.75,26.29,37.89],"by_feature_s":{"Custom":13.82,"Perimeter":14.13,"Skirt/Brim":10.2,"Solid infill":258.56,"External perimeter":17.03},"by_layer_s":[12.9,222.2,78.63],"changes_s":[]},"deviations":[],"accepted":null,"silent":[],"partial":false,"skipped":{},"warnings":[],"received_at":"2026-11-27T07:55:54.416408Z"},"reading":null,"runs":[{"id":"1ceb6e32-447e-4e99-885e-2768796e2865","version":2,"attempt":1,"unattended":false,"changed":"","started_at":"2026-11-20T12:55:53.917294Z","ended_at":null,"took_s":null,"of_estimate":null,"outcome":null,"cause":null,"failed_at_percent":null,"failed_at_layer":null,"uses_attempt":true,"note":"","energy_kwh":0.1,"energy_low_kwh":0.1,"energy_high_kwh":0.1,"energy_from":"meter","noise":[{"id":"73cd7e70-2929-400c-b98c-2de27b0e3e22","level_db":50.0,"background_db":20.0,"distance_m":1.0,"door_shut":true,"state":"printing","fan_percent":null,"at_1_m_db":50.0,"needs":null,"corrected":false,"taken_at":"2026-11-20T13:00:53.917294Z"}],"events":[],"photos":[],"hypotheses":[],"rejected":null,"bag_code":null}],"most_attempts":3,"tries_used":1,"may_run_unattended":true,"unattended_refusal":"","meters":[]}	2026-11-27 07:55:54.587549+00
4d9b6309-f12f-413b-b416-3852385f7e21	8d8f9b3e-08d1-4d86-9291-3681ce165478	6443f47c7ae19339b27a043e591528e6be2cff34baac38f0912c31c60bcab349	200	{"now":"2026-11-27T07:55:54.670912Z","id":"dfe75c65-fbc7-4e42-b2b8-c03457f5fb3f","machine":{"unit_id":"8380a138-3770-44a9-90a5-ec9018a29770","name":"Sparrow","mark":1,"is_control":false},"copy_number":1,"arm":"","artifact":"Step block","spool":"S-8fed · moss PLA","file":{"id":"2bc388e5-803d-458c-ac6d-bc65832431a9","name":"a.gcode","size_bytes":37152,"lines":1322,"generator":"SampleSlicer 2.5.0 on 2026-11-24 at 03:21:05 UTC","time_s":3955.0,"time_from":"comment “estimated printing time”","time_needs":null,"layers":2,"layers_need":null,"tool_changes":0,"tools":[{"tool":0,"length_mm":266.3144700000014,"length_from":"sum of the moves, priming left out","mass_g":14.95,"mass_from":"comment"}],"uses":[{"tool":0,"portion":"model","length_mm":260.05,"mass_g":14.598453262791118},{"tool":0,"portion":"skirt and brim","length_mm":6.26,"mass_g":0.3515467372088325}],"mass_g":14.95,"nozzle_c":220.0,"bed_c":60.0,"picture":false,"motion":{"planned_s":313.73601303824705,"on":"the file's own limits","moves":913,"at_asked_s":279.9639461395199,"by_flow_s":0.0,"by_axes_s":0.0,"speeding_s":33.77206689872713,"waits_s":0.0,"causes":{"asked":299.9819636614825,"flow":0.0,"axes":0.021466666666697165,"acceleration":0.5106492810525651,"corners":13.221933429045293,"waits":0.0},"speed_step":5.0,"by_speed_s":[1.02,0.0,6.1,213.34,17.88,7.64,0.15,0.38,4.08,2.33,26.27,31.89,0.0,0.1,0.0,0.12,0.0,0.0,0.0,0.0,0.0,0.2,0.88,0.25,0.31,0.0,0.0,0.81],"flow_step":0.5,"by_flow_step_s":[4.91,0.17,64.36,160.09,7.62,0.32,1.33,10.75,26.29,37.89],"by_feature_s":{"Custom":13.82,"Perimeter":14.13,"Skirt/Brim":10.2,"Solid infill":258.56,"External perimeter":17.03},"by_layer_s":[12.9,222.2,78.63],"changes_s":[]},"deviations":[],"accepted":null,"silent":[],"partial":false,"skipped":{},"warnings":[],"received_at":"2026-11-27T07:55:54.416408Z"},"reading":null,"runs":[{"id":"1ceb6e32-447e-4e99-885e-2768796e2865","version":3,"attempt":1,"unattended":false,"changed":"","started_at":"2026-11-20T12:55:53.917294Z","ended_at":"2026-11-20T13:55:53.917294Z","took_s":3600.0,"of_estimate":0.9102402022756005,"outcome":"done","cause":null,"failed_at_percent":null,"failed_at_layer":null,"uses_attempt":true,"note":"","energy_kwh":0.1,"energy_low_kwh":0.1,"energy_high_kwh":0.1,"energy_from":"meter","noise":[{"id":"73cd7e70-2929-400c-b98c-2de27b0e3e22","level_db":50.0,"background_db":20.0,"distance_m":1.0,"door_shut":true,"state":"printing","fan_percent":null,"at_1_m_db":50.0,"needs":null,"corrected":false,"taken_at":"2026-11-20T13:00:53.917294Z"}],"events":[],"photos":[],"hypotheses":[],"rejected":null,"bag_code":"3E9"}],"most_attempts":3,"tries_used":1,"may_run_unattended":true,"unattended_refusal":"","meters":[]}	2026-11-27 07:55:54.640486+00
af1b99f3-524e-4a95-8451-7d2351625545	8d8f9b3e-08d1-4d86-9291-3681ce165478	f25fc168ff1b85ae7680b24732fcd198befbcf644cd066759b5db578adc6cf5d	200	{"now":"2026-11-27T07:55:54.741352Z","id":"f4e7395c-f2c4-4bf5-9cce-6fe129b9f194","machine":{"unit_id":"d98f20c1-9a5a-4ed9-bd0d-c6f6adecb507","name":"Mesa","mark":0,"is_control":false},"copy_number":1,"arm":"","artifact":"Step block","spool":"S-8fed · moss PLA","file":{"id":"2272717b-a9d6-4955-b1ff-a8d1ad0cde66","name":"a.gcode","size_bytes":37152,"lines":1322,"generator":"SampleSlicer 2.5.0 on 2026-11-24 at 03:21:05 UTC","time_s":3955.0,"time_from":"comment “estimated printing time”","time_needs":null,"layers":2,"layers_need":null,"tool_changes":0,"tools":[{"tool":0,"length_mm":266.3144700000014,"length_from":"sum of the moves, priming left out","mass_g":14.95,"mass_from":"comment"}],"uses":[{"tool":0,"portion":"model","length_mm":260.05,"mass_g":14.598453262791118},{"tool":0,"portion":"skirt and brim","length_mm":6.26,"mass_g":0.3515467372088325}],"mass_g":14.95,"nozzle_c":220.0,"bed_c":60.0,"picture":false,"motion":{"planned_s":313.73601303824705,"on":"the file's own limits","moves":913,"at_asked_s":279.9639461395199,"by_flow_s":0.0,"by_axes_s":0.0,"speeding_s":33.77206689872713,"waits_s":0.0,"causes":{"asked":299.9819636614825,"flow":0.0,"axes":0.021466666666697165,"acceleration":0.5106492810525651,"corners":13.221933429045293,"waits":0.0},"speed_step":5.0,"by_speed_s":[1.02,0.0,6.1,213.34,17.88,7.64,0.15,0.38,4.08,2.33,26.27,31.89,0.0,0.1,0.0,0.12,0.0,0.0,0.0,0.0,0.0,0.2,0.88,0.25,0.31,0.0,0.0,0.81],"flow_step":0.5,"by_flow_step_s":[4.91,0.17,64.36,160.09,7.62,0.32,1.33,10.75,26.29,37.89],"by_feature_s":{"Custom":13.82,"Perimeter":14.13,"Skirt/Brim":10.2,"Solid infill":258.56,"External perimeter":17.03},"by_layer_s":[12.9,222.2,78.63],"changes_s":[]},"deviations":[],"accepted":null,"silent":[],"partial":false,"skipped":{},"warnings":[],"received_at":"2026-11-27T07:55:54.713458Z"},"reading":null,"runs":[],"most_attempts":3,"tries_used":0,"may_run_unattended":true,"unattended_refusal":"","meters":[]}	2026-11-27 07:55:54.689603+00
4bdfe168-cc61-4b3e-bd59-5e035b0960f7	8d8f9b3e-08d1-4d86-9291-3681ce165478	7cc3fa956ad7acaf0cde994105383c1558eb11b5a59348e6730a5e14e7c94b7d	200	{"now":"2026-11-27T07:55:54.804666Z","id":"f4e7395c-f2c4-4bf5-9cce-6fe129b9f194","machine":{"unit_id":"d98f20c1-9a5a-4ed9-bd0d-c6f6adecb507","name":"Mesa","mark":0,"is_control":false},"copy_number":1,"arm":"","artifact":"Step block","spool":"S-8fed · moss PLA","file":{"id":"2272717b-a9d6-4955-b1ff-a8d1ad0cde66","name":"a.gcode","size_bytes":37152,"lines":1322,"generator":"SampleSlicer 2.5.0 on 2026-11-24 at 03:21:05 UTC","time_s":3955.0,"time_from":"comment “estimated printing time”","time_needs":null,"layers":2,"layers_need":null,"tool_changes":0,"tools":[{"tool":0,"length_mm":266.3144700000014,"length_from":"sum of the moves, priming left out","mass_g":14.95,"mass_from":"comment"}],"uses":[{"tool":0,"portion":"model","length_mm":260.05,"mass_g":14.598453262791118},{"tool":0,"portion":"skirt and brim","length_mm":6.26,"mass_g":0.3515467372088325}],"mass_g":14.95,"nozzle_c":220.0,"bed_c":60.0,"picture":false,"motion":{"planned_s":313.73601303824705,"on":"the file's own limits","moves":913,"at_asked_s":279.9639461395199,"by_flow_s":0.0,"by_axes_s":0.0,"speeding_s":33.77206689872713,"waits_s":0.0,"causes":{"asked":299.9819636614825,"flow":0.0,"axes":0.021466666666697165,"acceleration":0.5106492810525651,"corners":13.221933429045293,"waits":0.0},"speed_step":5.0,"by_speed_s":[1.02,0.0,6.1,213.34,17.88,7.64,0.15,0.38,4.08,2.33,26.27,31.89,0.0,0.1,0.0,0.12,0.0,0.0,0.0,0.0,0.0,0.2,0.88,0.25,0.31,0.0,0.0,0.81],"flow_step":0.5,"by_flow_step_s":[4.91,0.17,64.36,160.09,7.62,0.32,1.33,10.75,26.29,37.89],"by_feature_s":{"Custom":13.82,"Perimeter":14.13,"Skirt/Brim":10.2,"Solid infill":258.56,"External perimeter":17.03},"by_layer_s":[12.9,222.2,78.63],"changes_s":[]},"deviations":[],"accepted":null,"silent":[],"partial":false,"skipped":{},"warnings":[],"received_at":"2026-11-27T07:55:54.713458Z"},"reading":null,"runs":[{"id":"ac4d9a48-aad7-44fc-a7e5-c14e7282498e","version":1,"attempt":1,"unattended":false,"changed":"","started_at":"2026-11-20T17:55:53.917294Z","ended_at":null,"took_s":null,"of_estimate":null,"outcome":null,"cause":null,"failed_at_percent":null,"failed_at_layer":null,"uses_attempt":true,"note":"","energy_kwh":null,"energy_low_kwh":null,"energy_high_kwh":null,"energy_from":null,"noise":[],"events":[],"photos":[],"hypotheses":[],"rejected":null,"bag_code":null}],"most_attempts":3,"tries_used":1,"may_run_unattended":true,"unattended_refusal":"","meters":[]}	2026-11-27 07:55:54.763567+00
66eb74ce-214f-40d4-a2f2-80db0532d645	8d8f9b3e-08d1-4d86-9291-3681ce165478	8d0b7319db5a9806b2476eda99999b9d214738aa83b2638f76f9f4da10cbb01c	200	{"now":"2026-11-27T07:55:54.847538Z","id":"f4e7395c-f2c4-4bf5-9cce-6fe129b9f194","machine":{"unit_id":"d98f20c1-9a5a-4ed9-bd0d-c6f6adecb507","name":"Mesa","mark":0,"is_control":false},"copy_number":1,"arm":"","artifact":"Step block","spool":"S-8fed · moss PLA","file":{"id":"2272717b-a9d6-4955-b1ff-a8d1ad0cde66","name":"a.gcode","size_bytes":37152,"lines":1322,"generator":"SampleSlicer 2.5.0 on 2026-11-24 at 03:21:05 UTC","time_s":3955.0,"time_from":"comment “estimated printing time”","time_needs":null,"layers":2,"layers_need":null,"tool_changes":0,"tools":[{"tool":0,"length_mm":266.3144700000014,"length_from":"sum of the moves, priming left out","mass_g":14.95,"mass_from":"comment"}],"uses":[{"tool":0,"portion":"model","length_mm":260.05,"mass_g":14.598453262791118},{"tool":0,"portion":"skirt and brim","length_mm":6.26,"mass_g":0.3515467372088325}],"mass_g":14.95,"nozzle_c":220.0,"bed_c":60.0,"picture":false,"motion":{"planned_s":313.73601303824705,"on":"the file's own limits","moves":913,"at_asked_s":279.9639461395199,"by_flow_s":0.0,"by_axes_s":0.0,"speeding_s":33.77206689872713,"waits_s":0.0,"causes":{"asked":299.9819636614825,"flow":0.0,"axes":0.021466666666697165,"acceleration":0.5106492810525651,"corners":13.221933429045293,"waits":0.0},"speed_step":5.0,"by_speed_s":[1.02,0.0,6.1,213.34,17.88,7.64,0.15,0.38,4.08,2.33,26.27,31.89,0.0,0.1,0.0,0.12,0.0,0.0,0.0,0.0,0.0,0.2,0.88,0.25,0.31,0.0,0.0,0.81],"flow_step":0.5,"by_flow_step_s":[4.91,0.17,64.36,160.09,7.62,0.32,1.33,10.75,26.29,37.89],"by_feature_s":{"Custom":13.82,"Perimeter":14.13,"Skirt/Brim":10.2,"Solid infill":258.56,"External perimeter":17.03},"by_layer_s":[12.9,222.2,78.63],"changes_s":[]},"deviations":[],"accepted":null,"silent":[],"partial":false,"skipped":{},"warnings":[],"received_at":"2026-11-27T07:55:54.713458Z"},"reading":null,"runs":[{"id":"ac4d9a48-aad7-44fc-a7e5-c14e7282498e","version":2,"attempt":1,"unattended":false,"changed":"","started_at":"2026-11-20T17:55:53.917294Z","ended_at":null,"took_s":null,"of_estimate":null,"outcome":null,"cause":null,"failed_at_percent":null,"failed_at_layer":null,"uses_attempt":true,"note":"","energy_kwh":0.1,"energy_low_kwh":0.1,"energy_high_kwh":0.1,"energy_from":"meter","noise":[],"events":[],"photos":[],"hypotheses":[],"rejected":null,"bag_code":null}],"most_attempts":3,"tries_used":1,"may_run_unattended":true,"unattended_refusal":"","meters":[]}	2026-11-27 07:55:54.827817+00
ce3f2cb4-a616-4154-b143-7d5bbff7debe	8d8f9b3e-08d1-4d86-9291-3681ce165478	b8c460372056ee3c43ff22eed5e1217a55faf5aa9fe70354134e381d2e37d09d	200	{"now":"2026-11-27T07:55:54.898179Z","id":"f4e7395c-f2c4-4bf5-9cce-6fe129b9f194","machine":{"unit_id":"d98f20c1-9a5a-4ed9-bd0d-c6f6adecb507","name":"Mesa","mark":0,"is_control":false},"copy_number":1,"arm":"","artifact":"Step block","spool":"S-8fed · moss PLA","file":{"id":"2272717b-a9d6-4955-b1ff-a8d1ad0cde66","name":"a.gcode","size_bytes":37152,"lines":1322,"generator":"SampleSlicer 2.5.0 on 2026-11-24 at 03:21:05 UTC","time_s":3955.0,"time_from":"comment “estimated printing time”","time_needs":null,"layers":2,"layers_need":null,"tool_changes":0,"tools":[{"tool":0,"length_mm":266.3144700000014,"length_from":"sum of the moves, priming left out","mass_g":14.95,"mass_from":"comment"}],"uses":[{"tool":0,"portion":"model","length_mm":260.05,"mass_g":14.598453262791118},{"tool":0,"portion":"skirt and brim","length_mm":6.26,"mass_g":0.3515467372088325}],"mass_g":14.95,"nozzle_c":220.0,"bed_c":60.0,"picture":false,"motion":{"planned_s":313.73601303824705,"on":"the file's own limits","moves":913,"at_asked_s":279.9639461395199,"by_flow_s":0.0,"by_axes_s":0.0,"speeding_s":33.77206689872713,"waits_s":0.0,"causes":{"asked":299.9819636614825,"flow":0.0,"axes":0.021466666666697165,"acceleration":0.5106492810525651,"corners":13.221933429045293,"waits":0.0},"speed_step":5.0,"by_speed_s":[1.02,0.0,6.1,213.34,17.88,7.64,0.15,0.38,4.08,2.33,26.27,31.89,0.0,0.1,0.0,0.12,0.0,0.0,0.0,0.0,0.0,0.2,0.88,0.25,0.31,0.0,0.0,0.81],"flow_step":0.5,"by_flow_step_s":[4.91,0.17,64.36,160.09,7.62,0.32,1.33,10.75,26.29,37.89],"by_feature_s":{"Custom":13.82,"Perimeter":14.13,"Skirt/Brim":10.2,"Solid infill":258.56,"External perimeter":17.03},"by_layer_s":[12.9,222.2,78.63],"changes_s":[]},"deviations":[],"accepted":null,"silent":[],"partial":false,"skipped":{},"warnings":[],"received_at":"2026-11-27T07:55:54.713458Z"},"reading":null,"runs":[{"id":"ac4d9a48-aad7-44fc-a7e5-c14e7282498e","version":2,"attempt":1,"unattended":false,"changed":"","started_at":"2026-11-20T17:55:53.917294Z","ended_at":null,"took_s":null,"of_estimate":null,"outcome":null,"cause":null,"failed_at_percent":null,"failed_at_layer":null,"uses_attempt":true,"note":"","energy_kwh":0.1,"energy_low_kwh":0.1,"energy_high_kwh":0.1,"energy_from":"meter","noise":[{"id":"39f60a5a-6ac5-45c8-ac31-232a0160b809","level_db":50.0,"background_db":20.0,"distance_m":1.0,"door_shut":true,"state":"printing","fan_percent":null,"at_1_m_db":50.0,"needs":null,"corrected":false,"taken_at":"2026-11-20T18:00:53.917294Z"}],"events":[],"photos":[],"hypotheses":[],"rejected":null,"bag_code":null}],"most_attempts":3,"tries_used":1,"may_run_unattended":true,"unattended_refusal":"","meters":[]}	2026-11-27 07:55:54.872074+00
7ef4c022-3ffb-41a1-9e4b-f0852697c161	8d8f9b3e-08d1-4d86-9291-3681ce165478	2f5eab4444fed521600286e0f59da26472e4c5054419e2ea4f68dc8eb22b9213	200	{"now":"2026-11-27T07:55:54.945630Z","id":"f4e7395c-f2c4-4bf5-9cce-6fe129b9f194","machine":{"unit_id":"d98f20c1-9a5a-4ed9-bd0d-c6f6adecb507","name":"Mesa","mark":0,"is_control":false},"copy_number":1,"arm":"","artifact":"Step block","spool":"S-8fed · moss PLA","file":{"id":"2272717b-a9d6-4955-b1ff-a8d1ad0cde66","name":"a.gcode","size_bytes":37152,"lines":1322,"generator":"SampleSlicer 2.5.0 on 2026-11-24 at 03:21:05 UTC","time_s":3955.0,"time_from":"comment “estimated printing time”","time_needs":null,"layers":2,"layers_need":null,"tool_changes":0,"tools":[{"tool":0,"length_mm":266.3144700000014,"length_from":"sum of the moves, priming left out","mass_g":14.95,"mass_from":"comment"}],"uses":[{"tool":0,"portion":"model","length_mm":260.05,"mass_g":14.598453262791118},{"tool":0,"portion":"skirt and brim","length_mm":6.26,"mass_g":0.3515467372088325}],"mass_g":14.95,"nozzle_c":220.0,"bed_c":60.0,"picture":false,"motion":{"planned_s":313.73601303824705,"on":"the file's own limits","moves":913,"at_asked_s":279.9639461395199,"by_flow_s":0.0,"by_axes_s":0.0,"speeding_s":33.77206689872713,"waits_s":0.0,"causes":{"asked":299.9819636614825,"flow":0.0,"axes":0.021466666666697165,"acceleration":0.5106492810525651,"corners":13.221933429045293,"waits":0.0},"speed_step":5.0,"by_speed_s":[1.02,0.0,6.1,213.34,17.88,7.64,0.15,0.38,4.08,2.33,26.27,31.89,0.0,0.1,0.0,0.12,0.0,0.0,0.0,0.0,0.0,0.2,0.88,0.25,0.31,0.0,0.0,0.81],"flow_step":0.5,"by_flow_step_s":[4.91,0.17,64.36,160.09,7.62,0.32,1.33,10.75,26.29,37.89],"by_feature_s":{"Custom":13.82,"Perimeter":14.13,"Skirt/Brim":10.2,"Solid infill":258.56,"External perimeter":17.03},"by_layer_s":[12.9,222.2,78.63],"changes_s":[]},"deviations":[],"accepted":null,"silent":[],"partial":false,"skipped":{},"warnings":[],"received_at":"2026-11-27T07:55:54.713458Z"},"reading":null,"runs":[{"id":"ac4d9a48-aad7-44fc-a7e5-c14e7282498e","version":3,"attempt":1,"unattended":false,"changed":"","started_at":"2026-11-20T17:55:53.917294Z","ended_at":"2026-11-20T18:55:53.917294Z","took_s":3600.0,"of_estimate":0.9102402022756005,"outcome":"done","cause":null,"failed_at_percent":null,"failed_at_layer":null,"uses_attempt":true,"note":"","energy_kwh":0.1,"energy_low_kwh":0.1,"energy_high_kwh":0.1,"energy_from":"meter","noise":[{"id":"39f60a5a-6ac5-45c8-ac31-232a0160b809","level_db":50.0,"background_db":20.0,"distance_m":1.0,"door_shut":true,"state":"printing","fan_percent":null,"at_1_m_db":50.0,"needs":null,"corrected":false,"taken_at":"2026-11-20T18:00:53.917294Z"}],"events":[],"photos":[],"hypotheses":[],"rejected":null,"bag_code":"3XH"}],"most_attempts":3,"tries_used":1,"may_run_unattended":true,"unattended_refusal":"","meters":[]}	2026-11-27 07:55:54.919157+00
c6154734-fcec-4f60-a865-f4b29fcf5275	8d8f9b3e-08d1-4d86-9291-3681ce165478	8b9859b62739c28ebb24ccedfacf7e8c5e0d5e0bae513eec139fec896f542aa1	200	{"now":"2026-11-27T07:55:55.079971Z","revealed":false,"repeats":1,"artifacts":[{"id":"625e67ef-8349-4d17-9f85-c04b06e38674","code":"SB","number":1,"name":"Step block","note":"Keep clear of the seam and of the engraved code.","isolates":"Axis scale, wall offset, hole size, first-layer height.","features":[{"id":"c7c83a12-bd45-4d99-9303-4b6a9c8874de","code":"X1","kind":"length","axis":"X","sense":1,"nominal":40.0,"unit":"mm","method":"Jaws across the left and right faces, one millimetre below the upper edge.","measured":true},{"id":"794b8e87-1416-4e1b-a43b-0bd42e031607","code":"X2","kind":"length","axis":"X","sense":1,"nominal":30.0,"unit":"mm","method":"Jaws across the left and right faces, one millimetre below the upper edge.","measured":true},{"id":"405c8f0c-440d-449c-bc7d-bd37d201ad52","code":"X3","kind":"length","axis":"X","sense":1,"nominal":17.0,"unit":"mm","method":"Jaws across the left and right faces, one millimetre below the upper edge.","measured":true},{"id":"67059ff3-3870-470a-8f0f-d692f815c510","code":"Y1","kind":"length","axis":"Y","sense":1,"nominal":40.0,"unit":"mm","method":"Jaws across the front and back faces, one millimetre below the upper edge.","measured":true},{"id":"f5f0d9d1-f9b3-4341-ad0c-5e32424c047b","code":"Y2","kind":"length","axis":"Y","sense":1,"nominal":30.0,"unit":"mm","method":"Jaws across the front and back faces, one millimetre below the upper edge.","measured":true},{"id":"ca2f4971-8835-4e2d-befb-eb5261d2389e","code":"Y3","kind":"length","axis":"Y","sense":1,"nominal":17.0,"unit":"mm","method":"Jaws across the front and back faces, one millimetre below the upper edge.","measured":true},{"id":"15a3b427-9bb7-46d0-bc01-8229557c544b","code":"Z1","kind":"length","axis":"Z","sense":1,"nominal":10.0,"unit":"mm","method":"Depth rod or jaws from the base to this step.","measured":true},{"id":"e5144343-3e2a-435c-8d2d-fcd6643a62f0","code":"Z2","kind":"length","axis":"Z","sense":1,"nominal":25.0,"unit":"mm","method":"Depth rod or jaws from the base to this step.","measured":true},{"id":"ab725912-f6d7-456f-bf15-4b8511a3b78f","code":"Z3","kind":"length","axis":"Z","sense":1,"nominal":45.0,"unit":"mm","method":"Depth rod or jaws from the base to this step.","measured":true},{"id":"71728d5d-3e9b-482d-a17b-7ec74696f696","code":"DX","kind":"length","axis":"X","sense":-1,"nominal":8.0,"unit":"mm","method":"Inside jaws in the hole, along X. Take the largest reading.","measured":true},{"id":"f958e932-1de9-463e-9cc1-469ac5d01478","code":"DY","kind":"length","axis":"Y","sense":-1,"nominal":8.0,"unit":"mm","method":"Inside jaws in the hole, along Y. Take the largest reading.","measured":true}],"drawing":{"faces":[{"kind":"front","outlines":[[[0.0,10.0],[0.0,20.0],[-34.64101614803076,0.0],[-34.64101614803076,-10.0]]]},{"kind":"side","outlines":[[[34.64101614803076,0.0],[0.0,20.0],[0.0,10.0],[34.64101614803076,-10.0]]]},{"kind":"top","outlines":[[[-20.2649944499135,-5.5200000032782555],[-20.957814767956734,-5.920000001788139],[-21.685276113450527,-5.5],[-20.992455787956715,-5.100000001490116],[-22.34345541894436,-4.320000000298023],[-23.03627573698759,-4.719999998807907],[-23.763737082481384,-4.299999997019768],[-21.650635093450546,-3.0799999982118607],[-20.923173755407333,-3.5],[-21.615994080901146,-3.899999998509884],[-18.844712786376476,-5.5],[-19.57217412441969,-5.920000001788139]],[[-26.535018369555473,-5.899999998509884],[-25.11473671346903,-5.079999998211861],[-24.421916387975216,-5.4799999967217445],[-23.729096062481403,-5.079999998211861],[-23.00163472443819,-5.5],[-23.694455049932003,-5.899999998509884],[-23.03627573698759,-6.280000001192093],[-22.34345541894436,-5.880000002682209],[-21.615994080901146,-6.299999997019768],[-22.308814398944378,-6.700000002980232],[-21.615994080901146,-7.100000001490116],[-23.03627573698759,-7.920000001788139]],[[-25.80755703151226,-8.719999998807907],[-26.500377357006073,-9.119999997317791],[-27.227838695049286,-8.700000002980232],[-26.535018369555473,-8.299999997019768],[-27.227838695049286,-7.899999998509884],[-26.535018369555473,-7.5],[-27.193197682499886,-7.119999997317791],[-28.57883832603693,-7.920000001788139],[-29.306299664080143,-7.5],[-27.886018000543118,-6.679999999701977],[-27.193197682499886,-7.079999998211861],[-26.500377357006073,-6.679999999701977],[-25.77291601896286,-7.100000001490116],[-26.465736337006092,-7.5],[-25.77291601896286,-7.899999998509884],[-26.465736337006092,-8.299999997019768],[-25.80755703151226,-8.679999999701977],[-24.421916387975216,-7.880000002682209],[-23.694455049932003,-8.299999997019768],[-25.11473671346903,-9.119999997317791]],[[34.64101614803076,-10.0],[0.0,10.0],[-34.64101614803076,-10.0],[-25.980762116611004,-14.99999999254942],[-25.980762116611004,-10.0],[0.0,5.0],[25.980762116611004,-10.0],[25.980762116611004,-14.99999999254942]]]},{"kind":"front","outlines":[[[0.0,-10.0],[0.0,5.0],[-25.980762116611004,-10.0],[-25.980762116611004,-25.0]]]},{"kind":"side","outlines":[[[25.980762116611004,-10.0],[0.0,5.0],[0.0,-10.0],[25.980762116611004,-25.0]]]},{"kind":"top","outlines":[[[25.980762116611004,-25.0],[0.0,-10.0],[-25.980762116611004,-25.0],[-14.722431860864162,-31.5],[-14.722431860864162,-25.0],[0.0,-16.5],[14.722431860864162,-25.0],[14.722431860864162,-31.5]]]},{"kind":"front","outlines":[[[0.0,-36.5],[0.0,-16.5],[-14.722431860864162,-25.0],[-14.722431860864162,-45.0]]]},{"kind":"side","outlines":[[[14.722431860864162,-25.0],[0.0,-16.5],[0.0,-36.5],[14.722431860864162,-45.0]]]},{"kind":"top","outlines":[[[-0.6394451409578323,-47.80422953516245],[-1.2679491937160492,-47.73205080628395],[-1.8747582882642746,-47.613125927746296],[-2.4494897425174713,-47.44948974251747],[-2.982309751212597,-47.243942104279995],[-3.4641016125679016,-47.0],[-3.8866217359900475,-46.72183734178543],[-4.2426406890153885,-46.4142135605216],[-4.52606687694788,-46.0823922008276],[-4.732050806283951,-45.73205080628395],[-4.8570680394768715,-45.3691838234663],[-4.898979485034943,-45.0],[-4.8570680394768715,-44.6308161765337],[-4.732050806283951,-44.26794919371605],[-4.52606687694788,-43.9176077991724],[-4.2426406890153885,-43.5857864394784],[-3.8866217359900475,-43.27816265821457],[-3.4641016125679016,-43.0],[-2.982309751212597,-42.756057895720005],[-2.4494897425174713,-42.55051025748253],[-1.8747582882642746,-42.386874072253704],[-1.2679491937160492,-42.26794919371605],[-0.6394451409578323,-42.19577046483755],[0.0,-42.171572878956795],[0.6394451409578323,-42.19577046483755],[1.2679491937160492,-42.26794919371605],[1.8747582882642746,-42.386874072253704],[2.4494897425174713,-42.55051025748253],[2.982309751212597,-42.756057895720005],[3.4641016125679016,-43.0],[3.8866217359900475,-43.27816265821457],[4.2426406890153885,-43.5857864394784],[4.52606687694788,-43.9176077991724],[4.732050806283951,-44.26794919371605],[4.8570680394768715,-44.6308161765337],[4.898979485034943,-45.0],[4.8570680394768715,-45.3691838234663],[4.732050806283951,-45.73205080628395],[4.52606687694788,-46.0823922008276],[4.2426406890153885,-46.4142135605216],[3.8866217359900475,-46.72183734178543],[3.4641016125679016,-47.0],[2.982309751212597,-47.243942104279995],[2.4494897425174713,-47.44948974251747],[1.8747582882642746,-47.613125927746296],[1.2679491937160492,-47.73205080628395],[0.6394451409578323,-47.80422953516245],[0.0,-47.828427121043205]],[[14.722431860864162,-45.0],[0.0,-36.5],[-14.722431860864162,-45.0],[0.0,-53.5]]]},{"kind":"front","outlines":[[[0.6394451409578323,-47.80422953516245],[1.2679491937160492,-47.73205080628395],[1.8747582882642746,-47.613125927746296],[2.4494897425174713,-47.44948974251747],[2.982309751212597,-47.243942104279995],[3.4641016125679016,-47.0],[3.8866217359900475,-46.72183734178543],[4.2426406890153885,-46.4142135605216],[4.52606687694788,-46.0823922008276],[4.732050806283951,-45.73205080628395],[4.8570680394768715,-45.3691838234663],[4.897752113640308,-44.989188484847546],[4.8570680394768715,-44.6308161765337],[4.732050806283951,-44.26794919371605],[4.52606687694788,-43.9176077991724],[4.2426406890153885,-43.5857864394784],[3.8866217359900475,-43.27816265821457],[3.4641016125679016,-43.0],[2.982309751212597,-42.756057895720005],[2.4494897425174713,-42.55051025748253],[1.8747582882642746,-42.386874072253704],[1.2679491937160492,-42.26794919371605],[0.6394451409578323,-42.19577046483755],[0.0,-42.171572878956795],[-0.6394451409578323,-42.19577046483755],[-1.2679491937160492,-42.26794919371605],[-1.8747582882642746,-42.386874072253704],[-2.4494897425174713,-42.55051025748253],[-2.982309751212597,-42.756057895720005],[-3.4641016125679016,-43.0],[-3.8866217359900475,-43.27816265821457],[-4.2426406890153885,-43.5857864394784],[-4.52606687694788,-43.9176077991724],[-4.732050806283951,-44.26794919371605],[-4.8570680394768715,-44.6308161765337],[-4.897752113640308,-44.989188484847546],[-4.8570680394768715,-45.3691838234663],[-4.732050806283951,-45.73205080628395],[-4.52606687694788,-46.0823922008276],[-4.2426406890153885,-46.4142135605216],[-3.8866217359900475,-46.72183734178543],[-3.4641016125679016,-47.0],[-2.982309751212597,-47.243942104279995],[-2.4494897425174713,-47.44948974251747],[-1.8747582882642746,-47.613125927746296],[-1.2679491937160492,-47.73205080628395],[-0.6394451409578323,-47.80422953516245],[0.0,-47.828427121043205]]]},{"kind":"top","outlines":[[[-27.50496681779623,-6.899999991059303],[-27.886018000543118,-6.679999999701977],[-28.959889501333237,-7.299999997019768],[-28.57883832603693,-7.5200000032782555]],[[-26.119326166808605,-8.49999999254942],[-26.465736337006092,-8.299999997019768],[-26.465736337006092,-7.899999998509884],[-26.119326174259186,-7.699999995529652],[-26.465736337006092,-7.5],[-26.465736337006092,-7.100000001490116],[-26.119326166808605,-6.899999991059303],[-26.500377357006073,-6.679999999701977],[-26.88142853230238,-6.899999991059303],[-26.535018369555473,-7.100000001490116],[-26.535018369555473,-7.5],[-26.8814285248518,-7.699999995529652],[-26.535018369555473,-7.899999998509884],[-26.535018369555473,-8.299999997019768],[-26.88142853230238,-8.49999999254942],[-26.500377357006073,-8.719999998807907]],[[-24.040865197777748,-8.099999994039536],[-24.421916387975216,-7.880000002682209],[-25.495787888765335,-8.49999999254942],[-25.11473671346903,-8.719999998807907]]]},{"kind":"side","outlines":[[[-23.03627573698759,-7.5200000032782555],[-26.188608206808567,-5.699999995529652],[-26.535018369555473,-5.897999994456768],[-23.03627573698759,-7.920000001788139]]]},{"kind":"top","outlines":[[[-21.96240423619747,-6.899999998509884],[-22.308814398944378,-6.700000002980232],[-22.308814398944378,-6.299999997019768],[-21.96240423619747,-6.0999999940395355],[-22.34345541894436,-5.880000002682209],[-22.724506586790085,-6.0999999940395355],[-22.37809643149376,-6.299999997019768],[-22.37809643149376,-6.700000002980232],[-23.03627573698759,-7.079999998211861],[-23.694455049932003,-6.700000002980232],[-23.694455049932003,-6.299999997019768],[-23.348044872283936,-6.0999999940395355],[-23.694455049932003,-5.899999998509884],[-23.694455049932003,-5.5],[-23.348044872283936,-5.299999989569187],[-23.729096062481403,-5.079999998211861],[-24.11014724522829,-5.299999989569187],[-23.763737082481384,-5.5],[-23.763737082481384,-5.899999998509884],[-24.421916387975216,-6.280000001192093],[-25.080095693469048,-5.899999998509884],[-25.080095693469048,-5.5],[-24.73368552327156,-5.299999989569187],[-25.11473671346903,-5.079999998211861],[-26.188608206808567,-5.699999995529652],[-23.03627573698759,-7.5200000032782555]]]},{"kind":"top","outlines":[[[-19.19112293422222,-5.299999997019768],[-21.615994080901146,-3.899999998509884],[-21.615994080901146,-3.5],[-21.26958390325308,-3.299999989569187],[-21.650635093450546,-3.0799999982118607],[-23.417326919734478,-4.0999999940395355],[-23.03627573698759,-4.320000000298023],[-22.34345541894436,-3.9200000017881393],[-20.992455787956715,-4.700000002980232],[-20.992455787956715,-5.100000001490116],[-21.33886594325304,-5.299999997019768],[-20.957814767956734,-5.5200000032782555],[-20.2649944499135,-5.119999997317791],[-19.57217412441969,-5.5200000032782555]]]}],"callouts":[{"code":"X1","ends":[[-34.6323558973397,-9.005],[0.008660254037845741,10.994999999999997]],"label":[-36.6323558973397,-5.005000000000001],"anchor":"end"},{"code":"X2","ends":[[-25.972101859495318,-24.005],[0.008660254037844203,-9.004999999999999]],"label":[-27.972101859495318,-20.005],"anchor":"end"},{"code":"X3","ends":[[-14.713771610297615,-44.005],[0.008660254037844203,-35.504999999999995]],"label":[-16.713771610297613,-40.005],"anchor":"end"},{"code":"Y1","ends":[[-0.008660254037845741,10.994999999999997],[34.6323558973397,-9.005]],"label":[36.6323558973397,-5.005000000000001],"anchor":"start"},{"code":"Y2","ends":[[-0.008660254037844203,-9.004999999999999],[25.972101859495318,-24.005]],"label":[27.972101859495318,-20.005],"anchor":"start"},{"code":"Y3","ends":[[-0.008660254037844203,-35.504999999999995],[14.713771610297615,-44.005]],"label":[16.713771610297613,-40.005],"anchor":"start"},{"code":"Z1","ends":[[0.0,19.99],[0.0,9.989999999999998]],"label":[1.0,14.489999999999998],"anchor":"start"},{"code":"Z2","ends":[[0.0,14.99],[0.0,-10.01]],"label":[1.0,-5.51],"anchor":"start"},{"code":"Z3","ends":[[0.0,8.49],[0.0,-36.51]],"label":[1.0,-32.01],"anchor":"start"},{"code":"DX","ends":[[-3.464101615137755,-46.99],[3.464101615137755,-42.99]],"label":[-1.5,-55.5],"anchor":"end"},{"code":"DY","ends":[[-3.464101615137755,-42.99],[3.464101615137755,-46.99]],"label":[1.5,-55.5],"anchor":"start"}],"view":[-52.64101614803076,-61.5,105.28203229606152,87.5],"labelled":true}}],"instruments":[{"id":"3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3","code":"C-98a9","kind":"caliper","unit":"mm","resolution":0.01,"expanded":0.02,"zero_at":"2026-11-27T07:55:55.072740Z","zero_due":false,"overdue":"C-98a9 has no calibration on record: readings rest on its stated uncertainty alone."}],"queue":[{"id":"1412f026-2837-4737-8a37-0b8e3082168e","blind_code":"3XH","artifact_id":"625e67ef-8349-4d17-9f85-c04b06e38674","artifact":"Step block","done":0,"due":11},{"id":"8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2","blind_code":"3E9","artifact_id":"625e67ef-8349-4d17-9f85-c04b06e38674","artifact":"Step block","done":0,"due":11}]}	2026-11-27 07:55:55.070488+00
38d8f1b6-feac-471d-958c-d635308f8567	8d8f9b3e-08d1-4d86-9291-3681ce165478	2cad8056739fb0995ccdbfcf678a33aec39784c4a0069ba63234c54d3924ad55	200	{"id":"1412f026-2837-4737-8a37-0b8e3082168e","blind_code":"3XH","due":11,"done":11,"features":[{"feature_id":"c7c83a12-bd45-4d99-9303-4b6a9c8874de","code":"X1","nominal":40.0,"unit":"mm","digits":2,"far_off":2.0,"dial_reach":0.4,"dial_usual":0.1,"instruments":["caliper","gauge"],"readings":[{"id":"d877ce2e-6961-47ad-bb3f-4e93deeeedb0","repeat":1,"value":40.12,"cannot_because":null,"corrected":false,"after_reveal":null,"note":null}],"off":{"value":0.11999999999999744,"low":0.09089936512139801,"high":0.14910063487859687,"unit":"mm","digits":3,"needs":null,"words":"0.120 ± 0.029 mm"},"grade":"IT12"},{"feature_id":"794b8e87-1416-4e1b-a43b-0bd42e031607","code":"X2","nominal":30.0,"unit":"mm","digits":2,"far_off":2.0,"dial_reach":0.4,"dial_usual":0.1,"instruments":["caliper","gauge"],"readings":[{"id":"a8bacb14-9407-4e6a-bbd0-d9b86ff02cc9","repeat":1,"value":30.12,"cannot_because":null,"corrected":false,"after_reveal":null,"note":null}],"off":{"value":0.120000000000001,"low":0.09089936512140157,"high":0.14910063487860042,"unit":"mm","digits":3,"needs":null,"words":"0.120 ± 0.029 mm"},"grade":"IT13"},{"feature_id":"405c8f0c-440d-449c-bc7d-bd37d201ad52","code":"X3","nominal":17.0,"unit":"mm","digits":2,"far_off":2.0,"dial_reach":0.4,"dial_usual":0.1,"instruments":["caliper","gauge"],"readings":[{"id":"633af709-5f7f-40df-b223-a7467e6ba62e","repeat":1,"value":17.12,"cannot_because":null,"corrected":false,"after_reveal":null,"note":null}],"off":{"value":0.120000000000001,"low":0.09089936512140157,"high":0.14910063487860042,"unit":"mm","digits":3,"needs":null,"words":"0.120 ± 0.029 mm"},"grade":"IT13"},{"feature_id":"67059ff3-3870-470a-8f0f-d692f815c510","code":"Y1","nominal":40.0,"unit":"mm","digits":2,"far_off":2.0,"dial_reach":0.4,"dial_usual":0.1,"instruments":["caliper","gauge"],"readings":[{"id":"5a63424b-a7b5-469a-ad21-66f95e6f63d0","repeat":1,"value":40.12,"cannot_because":null,"corrected":false,"after_reveal":null,"note":null}],"off":{"value":0.11999999999999744,"low":0.09089936512139801,"high":0.14910063487859687,"unit":"mm","digits":3,"needs":null,"words":"0.120 ± 0.029 mm"},"grade":"IT12"},{"feature_id":"f5f0d9d1-f9b3-4341-ad0c-5e32424c047b","code":"Y2","nominal":30.0,"unit":"mm","digits":2,"far_off":2.0,"dial_reach":0.4,"dial_usual":0.1,"instruments":["caliper","gauge"],"readings":[{"id":"59e7b556-4a78-45c8-b04e-44e281c04193","repeat":1,"value":30.12,"cannot_because":null,"corrected":false,"after_reveal":null,"note":null}],"off":{"value":0.120000000000001,"low":0.09089936512140157,"high":0.14910063487860042,"unit":"mm","digits":3,"needs":null,"words":"0.120 ± 0.029 mm"},"grade":"IT13"},{"feature_id":"ca2f4971-8835-4e2d-befb-eb5261d2389e","code":"Y3","nominal":17.0,"unit":"mm","digits":2,"far_off":2.0,"dial_reach":0.4,"dial_usual":0.1,"instruments":["caliper","gauge"],"readings":[{"id":"36ed7a7a-6c58-4cae-9cfe-4d1ada878c7c","repeat":1,"value":17.12,"cannot_because":null,"corrected":false,"after_reveal":null,"note":null}],"off":{"value":0.120000000000001,"low":0.09089936512140157,"high":0.14910063487860042,"unit":"mm","digits":3,"needs":null,"words":"0.120 ± 0.029 mm"},"grade":"IT13"},{"feature_id":"15a3b427-9bb7-46d0-bc01-8229557c544b","code":"Z1","nominal":10.0,"unit":"mm","digits":2,"far_off":2.0,"dial_reach":0.4,"dial_usual":0.1,"instruments":["caliper","gauge"],"readings":[{"id":"83c5417c-a971-4456-a48e-c937a7a2e1c2","repeat":1,"value":10.12,"cannot_because":null,"corrected":false,"after_reveal":null,"note":null}],"off":{"value":0.11999999999999922,"low":0.09089936512139979,"high":0.14910063487859865,"unit":"mm","digits":3,"needs":null,"words":"0.120 ± 0.029 mm"},"grade":"IT14"},{"feature_id":"e5144343-3e2a-435c-8d2d-fcd6643a62f0","code":"Z2","nominal":25.0,"unit":"mm","digits":2,"far_off":2.0,"dial_reach":0.4,"dial_usual":0.1,"instruments":["caliper","gauge"],"readings":[{"id":"06a8b7fa-cb8d-4177-96cd-b9826fe217a8","repeat":1,"value":25.12,"cannot_because":null,"corrected":false,"after_reveal":null,"note":null}],"off":{"value":0.120000000000001,"low":0.09089936512140157,"high":0.14910063487860042,"unit":"mm","digits":3,"needs":null,"words":"0.120 ± 0.029 mm"},"grade":"IT13"},{"feature_id":"ab725912-f6d7-456f-bf15-4b8511a3b78f","code":"Z3","nominal":45.0,"unit":"mm","digits":2,"far_off":2.0,"dial_reach":0.4,"dial_usual":0.1,"instruments":["caliper","gauge"],"readings":[{"id":"9c5a180a-79eb-495f-92be-c51d00793cf7","repeat":1,"value":45.12,"cannot_because":null,"corrected":false,"after_reveal":null,"note":null}],"off":{"value":0.11999999999999744,"low":0.09089936512139801,"high":0.14910063487859687,"unit":"mm","digits":3,"needs":null,"words":"0.120 ± 0.029 mm"},"grade":"IT12"},{"feature_id":"71728d5d-3e9b-482d-a17b-7ec74696f696","code":"DX","nominal":8.0,"unit":"mm","digits":2,"far_off":2.0,"dial_reach":0.4,"dial_usual":0.1,"instruments":["caliper","gauge"],"readings":[{"id":"752a1589-cb3b-4e35-a605-45ebbd82bad8","repeat":1,"value":8.12,"cannot_because":null,"corrected":false,"after_reveal":null,"note":null}],"off":{"value":0.11999999999999922,"low":0.09089936512139979,"high":0.14910063487859865,"unit":"mm","digits":3,"needs":null,"words":"0.120 ± 0.029 mm"},"grade":"IT14"},{"feature_id":"f958e932-1de9-463e-9cc1-469ac5d01478","code":"DY","nominal":8.0,"unit":"mm","digits":2,"far_off":2.0,"dial_reach":0.4,"dial_usual":0.1,"instruments":["caliper","gauge"],"readings":[{"id":"d0d261bc-f6e4-4458-ba7a-7649a62d4dd8","repeat":1,"value":8.12,"cannot_because":null,"corrected":false,"after_reveal":null,"note":null}],"off":{"value":0.11999999999999922,"low":0.09089936512139979,"high":0.14910063487859865,"unit":"mm","digits":3,"needs":null,"words":"0.120 ± 0.029 mm"},"grade":"IT14"}],"judged":[],"findings":[{"code":"off.mean","headline":"Faces are off by","amount":"0.120 mm","uncertainty":"± 0.021","meaning":"On average, whichever way.","points_to":null},{"code":"grade","headline":"95 % of its faces meet","amount":"IT14","uncertainty":"","meaning":"Tolerance grade by ISO 286-1.","points_to":null},{"code":"scale.x","headline":"X runs long by","amount":"0.47 %","uncertainty":"± 0.24","meaning":"Steps or belt pitch on X, not the material.","points_to":"steps or belt of X. A second artifact of another length shows the same percent."},{"code":"scale.y","headline":"Y runs long by","amount":"0.47 %","uncertainty":"± 0.24","meaning":"Steps or belt pitch on Y, not the material.","points_to":"steps or belt of Y. A second artifact of another length shows the same percent."},{"code":"scale.z","headline":"Z scale","amount":"0.00 %","uncertainty":"± 0.37","meaning":"Within the uncertainty: no correction called for.","points_to":null},{"code":"wall.offset","headline":"Walls","amount":"−0.038 mm","uncertainty":"± 0.049","meaning":"Within the uncertainty: no correction called for.","points_to":null},{"code":"first.layer","headline":"First layer","amount":"+0.110 mm","uncertainty":"± 0.113","meaning":"Within the uncertainty: no correction called for.","points_to":null},{"code":"hole.offset","headline":"Holes are large by","amount":"0.082 mm","uncertainty":"± 0.058","meaning":"Inner corners or horizontal expansion.","points_to":"Inner corners or horizontal expansion."}],"charts":[{"chart":"fit","points":[{"code":"X1","axis":"X","nominal_mm":40.0,"deviation_mm":0.11999999999999744,"expanded_mm":0.029100634878599426},{"code":"X2","axis":"X","nominal_mm":30.0,"deviation_mm":0.120000000000001,"expanded_mm":0.029100634878599426},{"code":"X3","axis":"X","nominal_mm":17.0,"deviation_mm":0.120000000000001,"expanded_mm":0.029100634878599426},{"code":"Y1","axis":"Y","nominal_mm":40.0,"deviation_mm":0.11999999999999744,"expanded_mm":0.029100634878599426},{"code":"Y2","axis":"Y","nominal_mm":30.0,"deviation_mm":0.120000000000001,"expanded_mm":0.029100634878599426},{"code":"Y3","axis":"Y","nominal_mm":17.0,"deviation_mm":0.120000000000001,"expanded_mm":0.029100634878599426},{"code":"Z1","axis":"Z","nominal_mm":10.0,"deviation_mm":0.11999999999999922,"expanded_mm":0.029100634878599426},{"code":"Z2","axis":"Z","nominal_mm":25.0,"deviation_mm":0.120000000000001,"expanded_mm":0.029100634878599426},{"code":"Z3","axis":"Z","nominal_mm":45.0,"deviation_mm":0.11999999999999744,"expanded_mm":0.029100634878599426},{"code":"DX","axis":"X","nominal_mm":8.0,"deviation_mm":0.11999999999999922,"expanded_mm":0.029100634878599426},{"code":"DY","axis":"Y","nominal_mm":8.0,"deviation_mm":0.11999999999999922,"expanded_mm":0.029100634878599426}],"lines":[{"axis":"X","points":[{"length_mm":4.5,"deviation_mm":-0.017045464245897333,"expanded_mm":0.04271796757801051},{"length_mm":9.0,"deviation_mm":0.004240059231167777,"expanded_mm":0.039058279399238525},{"length_mm":13.5,"deviation_mm":0.02552558270823287,"expanded_mm":0.038158096151934925},{"length_mm":18.0,"deviation_mm":0.04681110618529796,"expanded_mm":0.04020320995803628},{"length_mm":22.5,"deviation_mm":0.06809662966236306,"expanded_mm":0.044791992103476376},{"length_mm":27.0,"deviation_mm":0.08938215313942818,"expanded_mm":0.051245621266056876},{"length_mm":31.5,"deviation_mm":0.11066767661649328,"expanded_mm":0.058954826078690924},{"length_mm":36.0,"deviation_mm":0.13195320009355835,"expanded_mm":0.06749071057317116},{"length_mm":40.5,"deviation_mm":0.15323872357062346,"expanded_mm":0.07657732814647378},{"length_mm":45.0,"deviation_mm":0.17452424704768854,"expanded_mm":0.08604036863654292}]},{"axis":"Y","points":[{"length_mm":4.5,"deviation_mm":-0.01704546424589732,"expanded_mm":0.0427179675780105},{"length_mm":9.0,"deviation_mm":0.004240059231167783,"expanded_mm":0.039058279399238505},{"length_mm":13.5,"deviation_mm":0.025525582708232877,"expanded_mm":0.0381580961519349},{"length_mm":18.0,"deviation_mm":0.04681110618529797,"expanded_mm":0.04020320995803626},{"length_mm":22.5,"deviation_mm":0.06809662966236307,"expanded_mm":0.044791992103476355},{"length_mm":27.0,"deviation_mm":0.08938215313942818,"expanded_mm":0.05124562126605684},{"length_mm":31.5,"deviation_mm":0.11066767661649328,"expanded_mm":0.058954826078690896},{"length_mm":36.0,"deviation_mm":0.13195320009355838,"expanded_mm":0.06749071057317114},{"length_mm":40.5,"deviation_mm":0.15323872357062343,"expanded_mm":0.07657732814647376},{"length_mm":45.0,"deviation_mm":0.17452424704768854,"expanded_mm":0.08604036863654292}]},{"axis":"Z","points":[{"length_mm":4.5,"deviation_mm":0.11017761951942472,"expanded_mm":0.0996002642188857},{"length_mm":9.0,"deviation_mm":0.1101776195194244,"expanded_mm":0.0866607379529369},{"length_mm":13.5,"deviation_mm":0.11017761951942415,"expanded_mm":0.07512990334663038},{"length_mm":18.0,"deviation_mm":0.11017761951942384,"expanded_mm":0.0657530931245908},{"length_mm":22.5,"deviation_mm":0.11017761951942358,"expanded_mm":0.059556562512277894},{"length_mm":27.0,"deviation_mm":0.11017761951942331,"expanded_mm":0.05757644505661393},{"length_mm":31.5,"deviation_mm":0.11017761951942304,"expanded_mm":0.06023004164606204},{"length_mm":36.0,"deviation_mm":0.11017761951942275,"expanded_mm":0.06696877490492208},{"length_mm":40.5,"deviation_mm":0.11017761951942247,"expanded_mm":0.07672368416660226},{"length_mm":45.0,"deviation_mm":0.11017761951942219,"expanded_mm":0.0885029864816867}]}],"longest_mm":45.0}]}	2026-11-27 07:55:55.109496+00
b7db3326-f779-477a-a99c-a4e2b9952313	8d8f9b3e-08d1-4d86-9291-3681ce165478	b456f779da70539852749ec29e9e2b8df45c5c8dd3d9cf788401cd26eaa0e957	200	{"id":"8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2","blind_code":"3E9","due":11,"done":11,"features":[{"feature_id":"c7c83a12-bd45-4d99-9303-4b6a9c8874de","code":"X1","nominal":40.0,"unit":"mm","digits":2,"far_off":2.0,"dial_reach":0.4,"dial_usual":0.1,"instruments":["caliper","gauge"],"readings":[{"id":"4dd846a6-be98-4d0f-9883-2976df123e8b","repeat":1,"value":40.05,"cannot_because":null,"corrected":false,"after_reveal":null,"note":null}],"off":{"value":0.04999999999999716,"low":0.020899365121397732,"high":0.07910063487859659,"unit":"mm","digits":3,"needs":null,"words":"0.050 ± 0.029 mm"},"grade":"IT11"},{"feature_id":"794b8e87-1416-4e1b-a43b-0bd42e031607","code":"X2","nominal":30.0,"unit":"mm","digits":2,"far_off":2.0,"dial_reach":0.4,"dial_usual":0.1,"instruments":["caliper","gauge"],"readings":[{"id":"2224873b-f803-4c50-8a88-caf9b1c24e5e","repeat":1,"value":30.05,"cannot_because":null,"corrected":false,"after_reveal":null,"note":null}],"off":{"value":0.05000000000000071,"low":0.020899365121401284,"high":0.07910063487860014,"unit":"mm","digits":3,"needs":null,"words":"0.050 ± 0.029 mm"},"grade":"IT11"},{"feature_id":"405c8f0c-440d-449c-bc7d-bd37d201ad52","code":"X3","nominal":17.0,"unit":"mm","digits":2,"far_off":2.0,"dial_reach":0.4,"dial_usual":0.1,"instruments":["caliper","gauge"],"readings":[{"id":"a50ed560-2f84-43f8-9e44-cefdaa38964e","repeat":1,"value":17.05,"cannot_because":null,"corrected":false,"after_reveal":null,"note":null}],"off":{"value":0.05000000000000071,"low":0.020899365121401284,"high":0.07910063487860014,"unit":"mm","digits":3,"needs":null,"words":"0.050 ± 0.029 mm"},"grade":"IT11"},{"feature_id":"67059ff3-3870-470a-8f0f-d692f815c510","code":"Y1","nominal":40.0,"unit":"mm","digits":2,"far_off":2.0,"dial_reach":0.4,"dial_usual":0.1,"instruments":["caliper","gauge"],"readings":[{"id":"195f2ce7-4ea0-451d-964f-6ff3f4295f39","repeat":1,"value":40.05,"cannot_because":null,"corrected":false,"after_reveal":null,"note":null}],"off":{"value":0.04999999999999716,"low":0.020899365121397732,"high":0.07910063487859659,"unit":"mm","digits":3,"needs":null,"words":"0.050 ± 0.029 mm"},"grade":"IT11"},{"feature_id":"f5f0d9d1-f9b3-4341-ad0c-5e32424c047b","code":"Y2","nominal":30.0,"unit":"mm","digits":2,"far_off":2.0,"dial_reach":0.4,"dial_usual":0.1,"instruments":["caliper","gauge"],"readings":[{"id":"4602890d-6a8d-4420-a6b3-67625ff0b27d","repeat":1,"value":30.05,"cannot_because":null,"corrected":false,"after_reveal":null,"note":null}],"off":{"value":0.05000000000000071,"low":0.020899365121401284,"high":0.07910063487860014,"unit":"mm","digits":3,"needs":null,"words":"0.050 ± 0.029 mm"},"grade":"IT11"},{"feature_id":"ca2f4971-8835-4e2d-befb-eb5261d2389e","code":"Y3","nominal":17.0,"unit":"mm","digits":2,"far_off":2.0,"dial_reach":0.4,"dial_usual":0.1,"instruments":["caliper","gauge"],"readings":[{"id":"9bdc3902-5025-4f0f-9acb-1ce9bab05336","repeat":1,"value":17.05,"cannot_because":null,"corrected":false,"after_reveal":null,"note":null}],"off":{"value":0.05000000000000071,"low":0.020899365121401284,"high":0.07910063487860014,"unit":"mm","digits":3,"needs":null,"words":"0.050 ± 0.029 mm"},"grade":"IT11"},{"feature_id":"15a3b427-9bb7-46d0-bc01-8229557c544b","code":"Z1","nominal":10.0,"unit":"mm","digits":2,"far_off":2.0,"dial_reach":0.4,"dial_usual":0.1,"instruments":["caliper","gauge"],"readings":[{"id":"a49b6c40-60cc-4ed3-b901-86397ddbab2d","repeat":1,"value":10.05,"cannot_because":null,"corrected":false,"after_reveal":null,"note":null}],"off":{"value":0.05000000000000071,"low":0.020899365121401284,"high":0.07910063487860014,"unit":"mm","digits":3,"needs":null,"words":"0.050 ± 0.029 mm"},"grade":"IT12"},{"feature_id":"e5144343-3e2a-435c-8d2d-fcd6643a62f0","code":"Z2","nominal":25.0,"unit":"mm","digits":2,"far_off":2.0,"dial_reach":0.4,"dial_usual":0.1,"instruments":["caliper","gauge"],"readings":[{"id":"c98a1b0a-135a-4813-ad86-7e70f682a3e7","repeat":1,"value":25.05,"cannot_because":null,"corrected":false,"after_reveal":null,"note":null}],"off":{"value":0.05000000000000071,"low":0.020899365121401284,"high":0.07910063487860014,"unit":"mm","digits":3,"needs":null,"words":"0.050 ± 0.029 mm"},"grade":"IT11"},{"feature_id":"ab725912-f6d7-456f-bf15-4b8511a3b78f","code":"Z3","nominal":45.0,"unit":"mm","digits":2,"far_off":2.0,"dial_reach":0.4,"dial_usual":0.1,"instruments":["caliper","gauge"],"readings":[{"id":"6736940f-e5d7-4c39-b4a0-751f69695695","repeat":1,"value":45.05,"cannot_because":null,"corrected":false,"after_reveal":null,"note":null}],"off":{"value":0.04999999999999716,"low":0.020899365121397732,"high":0.07910063487859659,"unit":"mm","digits":3,"needs":null,"words":"0.050 ± 0.029 mm"},"grade":"IT11"},{"feature_id":"71728d5d-3e9b-482d-a17b-7ec74696f696","code":"DX","nominal":8.0,"unit":"mm","digits":2,"far_off":2.0,"dial_reach":0.4,"dial_usual":0.1,"instruments":["caliper","gauge"],"readings":[{"id":"029e7230-7f72-46af-8f02-0194353d962e","repeat":1,"value":8.05,"cannot_because":null,"corrected":false,"after_reveal":null,"note":null}],"off":{"value":0.05000000000000071,"low":0.020899365121401284,"high":0.07910063487860014,"unit":"mm","digits":3,"needs":null,"words":"0.050 ± 0.029 mm"},"grade":"IT12"},{"feature_id":"f958e932-1de9-463e-9cc1-469ac5d01478","code":"DY","nominal":8.0,"unit":"mm","digits":2,"far_off":2.0,"dial_reach":0.4,"dial_usual":0.1,"instruments":["caliper","gauge"],"readings":[{"id":"40352ca3-83c2-4f34-a108-01d2b2e6c01d","repeat":1,"value":8.05,"cannot_because":null,"corrected":false,"after_reveal":null,"note":null}],"off":{"value":0.05000000000000071,"low":0.020899365121401284,"high":0.07910063487860014,"unit":"mm","digits":3,"needs":null,"words":"0.050 ± 0.029 mm"},"grade":"IT12"}],"judged":[],"findings":[{"code":"off.mean","headline":"Faces are off by","amount":"0.050 mm","uncertainty":"± 0.021","meaning":"On average, whichever way.","points_to":null},{"code":"grade","headline":"95 % of its faces meet","amount":"IT12","uncertainty":"","meaning":"Tolerance grade by ISO 286-1.","points_to":null},{"code":"scale.x","headline":"X runs long by","amount":"0.14 %","uncertainty":"± 0.12","meaning":"Steps or belt pitch on X, not the material.","points_to":"steps or belt of X. A second artifact of another length shows the same percent."},{"code":"scale.y","headline":"Y runs long by","amount":"0.14 %","uncertainty":"± 0.12","meaning":"Steps or belt pitch on Y, not the material.","points_to":"steps or belt of Y. A second artifact of another length shows the same percent."},{"code":"scale.z","headline":"Z scale","amount":"0.00 %","uncertainty":"± 0.15","meaning":"Within the uncertainty: no correction called for.","points_to":null},{"code":"wall.offset","headline":"Walls","amount":"−0.011 mm","uncertainty":"± 0.021","meaning":"Within the uncertainty: no correction called for.","points_to":null},{"code":"first.layer","headline":"First layer","amount":"+0.033 mm","uncertainty":"± 0.050","meaning":"Within the uncertainty: no correction called for.","points_to":null},{"code":"hole.offset","headline":"Holes are large by","amount":"0.039 mm","uncertainty":"± 0.031","meaning":"Inner corners or horizontal expansion.","points_to":"Inner corners or horizontal expansion."}],"charts":[{"chart":"fit","points":[{"code":"X1","axis":"X","nominal_mm":40.0,"deviation_mm":0.04999999999999716,"expanded_mm":0.029100634878599426},{"code":"X2","axis":"X","nominal_mm":30.0,"deviation_mm":0.05000000000000071,"expanded_mm":0.029100634878599426},{"code":"X3","axis":"X","nominal_mm":17.0,"deviation_mm":0.05000000000000071,"expanded_mm":0.029100634878599426},{"code":"Y1","axis":"Y","nominal_mm":40.0,"deviation_mm":0.04999999999999716,"expanded_mm":0.029100634878599426},{"code":"Y2","axis":"Y","nominal_mm":30.0,"deviation_mm":0.05000000000000071,"expanded_mm":0.029100634878599426},{"code":"Y3","axis":"Y","nominal_mm":17.0,"deviation_mm":0.05000000000000071,"expanded_mm":0.029100634878599426},{"code":"Z1","axis":"Z","nominal_mm":10.0,"deviation_mm":0.05000000000000071,"expanded_mm":0.029100634878599426},{"code":"Z2","axis":"Z","nominal_mm":25.0,"deviation_mm":0.05000000000000071,"expanded_mm":0.029100634878599426},{"code":"Z3","axis":"Z","nominal_mm":45.0,"deviation_mm":0.04999999999999716,"expanded_mm":0.029100634878599426},{"code":"DX","axis":"X","nominal_mm":8.0,"deviation_mm":0.05000000000000071,"expanded_mm":0.029100634878599426},{"code":"DY","axis":"Y","nominal_mm":8.0,"deviation_mm":0.05000000000000071,"expanded_mm":0.029100634878599426}],"lines":[{"axis":"X","points":[{"length_mm":4.5,"deviation_mm":-0.005110944852512124,"expanded_mm":0.017999835489496848},{"length_mm":9.0,"deviation_mm":0.001271347532062037,"expanded_mm":0.016287934951490154},{"length_mm":13.5,"deviation_mm":0.007653639916636206,"expanded_mm":0.016398031681891446},{"length_mm":18.0,"deviation_mm":0.014035932301210374,"expanded_mm":0.01829726569239167},{"length_mm":22.5,"deviation_mm":0.020418224685784536,"expanded_mm":0.021516976816387277},{"length_mm":27.0,"deviation_mm":0.026800517070358708,"expanded_mm":0.025562991247841848},{"length_mm":31.5,"deviation_mm":0.03318280945493288,"expanded_mm":0.030103963567591003},{"length_mm":36.0,"deviation_mm":0.03956510183950704,"expanded_mm":0.03494748337351018},{"length_mm":40.5,"deviation_mm":0.045947394224081214,"expanded_mm":0.03998375215666999},{"length_mm":45.0,"deviation_mm":0.05232968660865536,"expanded_mm":0.04514831281046469}]},{"axis":"Y","points":[{"length_mm":4.5,"deviation_mm":-0.005110944852512135,"expanded_mm":0.017999835489496848},{"length_mm":9.0,"deviation_mm":0.0012713475320620291,"expanded_mm":0.01628793495149015},{"length_mm":13.5,"deviation_mm":0.007653639916636198,"expanded_mm":0.016398031681891433},{"length_mm":18.0,"deviation_mm":0.01403593230121036,"expanded_mm":0.018297265692391658},{"length_mm":22.5,"deviation_mm":0.020418224685784518,"expanded_mm":0.02151697681638726},{"length_mm":27.0,"deviation_mm":0.026800517070358684,"expanded_mm":0.025562991247841824},{"length_mm":31.5,"deviation_mm":0.03318280945493284,"expanded_mm":0.030103963567590982},{"length_mm":36.0,"deviation_mm":0.03956510183950701,"expanded_mm":0.03494748337351016},{"length_mm":40.5,"deviation_mm":0.04594739422408117,"expanded_mm":0.03998375215666996},{"length_mm":45.0,"deviation_mm":0.052329686608655335,"expanded_mm":0.04514831281046467}]},{"axis":"Z","points":[{"length_mm":4.5,"deviation_mm":0.03303586979042592,"expanded_mm":0.04497128526582702},{"length_mm":9.0,"deviation_mm":0.03303586979042543,"expanded_mm":0.04004986020316371},{"length_mm":13.5,"deviation_mm":0.03303586979042495,"expanded_mm":0.0357785646749115},{"length_mm":18.0,"deviation_mm":0.03303586979042447,"expanded_mm":0.032415423214451435},{"length_mm":22.5,"deviation_mm":0.033035869790423986,"expanded_mm":0.030264719034190153},{"length_mm":27.0,"deviation_mm":0.033035869790423486,"expanded_mm":0.029591998214656776},{"length_mm":31.5,"deviation_mm":0.03303586979042301,"expanded_mm":0.030495230488148988},{"length_mm":36.0,"deviation_mm":0.03303586979042253,"expanded_mm":0.032844655437159274},{"length_mm":40.5,"deviation_mm":0.03303586979042205,"expanded_mm":0.03636101323007108},{"length_mm":45.0,"deviation_mm":0.03303586979042155,"expanded_mm":0.04074327870361435}]}],"longest_mm":45.0}]}	2026-11-27 07:55:55.179922+00
1f9906a8-97d2-4a26-b3cf-fc21d030132e	8d8f9b3e-08d1-4d86-9291-3681ce165478	264a86c8b4356ace15ead593aa3fd39fec812cfcbb8c718ce1126f70b60e700a	200	{"now":"2026-11-27T07:55:55.291537Z","defects":[{"code":"stringing","name":"Stringing","weight":1.0,"structural":false,"look":"Between parts that stand apart and across openings.","anchors":["No strings at arm's length or close up.","A few hairs that brush off.","Hairs on one side, gone with a heat gun.","Strings on several sides that need a knife.","Webs that hide an edge.","Webs that fill an opening or join parts that stand apart."]},{"code":"blobs","name":"Blobs and zits","weight":1.0,"structural":false,"look":"The seam and every corner.","anchors":["Smooth to the fingernail.","One or two dots felt, not seen.","Dots along the seam seen at half a metre.","A row of dots that throws a caliper off by 0.1 mm.","Blobs over 1 mm on more than one side.","Blobs that stop the part from seating."]},{"code":"shift","name":"Layer shift","weight":2.0,"structural":true,"look":"Sight down each edge against a straight line.","anchors":["Edges straight.","A step felt by nail, under 0.1 mm.","A step up to 0.2 mm.","A step up to 0.5 mm.","A step up to 1 mm.","A step over 1 mm, or more than one shift."]},{"code":"warp","name":"Warped corners","weight":1.5,"structural":true,"look":"Base on a flat plate, gauge under each corner.","anchors":["No light under any corner.","Light under one corner, 0.05 mm gauge does not enter.","Up to 0.2 mm under one corner.","Up to 0.5 mm, or two corners.","Up to 1 mm.","Over 1 mm, or the part came loose while printing."]},{"code":"gaps","name":"Gaps and thin walls","weight":2.0,"structural":true,"look":"Walls against a lamp, top skins.","anchors":["Closed everywhere.","Pinholes in one top skin.","Lines stand apart in one skin.","Lines stand apart on a wall.","Light through a wall.","Walls come apart between the fingers."]},{"code":"ringing","name":"Ringing after corners","weight":1.0,"structural":false,"look":"Raking light along the long faces.","anchors":["No echo of the corner.","One faint wave under raking light.","Two or three waves under raking light.","Waves seen in room light.","Waves felt by fingernail.","Waves over half the face."]},{"code":"foot","name":"First-layer bulge","weight":1.0,"structural":false,"look":"Bottom edge, all four sides.","anchors":["Edge as sharp as the others.","Bulge felt, under 0.05 mm.","Bulge up to 0.1 mm.","Bulge up to 0.2 mm.","Bulge up to 0.4 mm.","Bulge over 0.4 mm or a loose brim fused on."]},{"code":"skins","name":"Rough top skins","weight":1.0,"structural":false,"look":"Every upward face.","anchors":["Even lines, no marks.","Lines show a change of direction.","Nozzle marks on one face.","Rough on one face.","Rough on every face.","Holes or pillows through the skin."]}],"specimens":[{"id":"1412f026-2837-4737-8a37-0b8e3082168e","blind_code":"3XH","artifact":"Step block","asked":["stringing","blobs","shift","warp","gaps","ringing","foot","skins"],"scores":[{"id":"cadedd79-2ee5-4b78-80c4-f03bfea19c3a","defect":"stringing","severity":1,"corrected":false,"after_reveal":null}],"locked":false,"locked_by_others":0,"quality":null,"rejected_by":null},{"id":"8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2","blind_code":"3E9","artifact":"Step block","asked":["stringing","blobs","shift","warp","gaps","ringing","foot","skins"],"scores":[],"locked":false,"locked_by_others":0,"quality":null,"rejected_by":null}],"may_reveal":false,"reveal_needs":"Still to be scored and locked: 3XH, 3E9.","revealed_at":null}	2026-11-27 07:55:55.256336+00
cdffb299-3d68-4ee6-a80c-4c4f0b2c1156	8d8f9b3e-08d1-4d86-9291-3681ce165478	1ede589a7e45c12e32db2fd2f8931a7ebdd8c38f65b95b25cb4746a25124f358	200	{"now":"2026-11-27T07:55:55.314801Z","defects":[{"code":"stringing","name":"Stringing","weight":1.0,"structural":false,"look":"Between parts that stand apart and across openings.","anchors":["No strings at arm's length or close up.","A few hairs that brush off.","Hairs on one side, gone with a heat gun.","Strings on several sides that need a knife.","Webs that hide an edge.","Webs that fill an opening or join parts that stand apart."]},{"code":"blobs","name":"Blobs and zits","weight":1.0,"structural":false,"look":"The seam and every corner.","anchors":["Smooth to the fingernail.","One or two dots felt, not seen.","Dots along the seam seen at half a metre.","A row of dots that throws a caliper off by 0.1 mm.","Blobs over 1 mm on more than one side.","Blobs that stop the part from seating."]},{"code":"shift","name":"Layer shift","weight":2.0,"structural":true,"look":"Sight down each edge against a straight line.","anchors":["Edges straight.","A step felt by nail, under 0.1 mm.","A step up to 0.2 mm.","A step up to 0.5 mm.","A step up to 1 mm.","A step over 1 mm, or more than one shift."]},{"code":"warp","name":"Warped corners","weight":1.5,"structural":true,"look":"Base on a flat plate, gauge under each corner.","anchors":["No light under any corner.","Light under one corner, 0.05 mm gauge does not enter.","Up to 0.2 mm under one corner.","Up to 0.5 mm, or two corners.","Up to 1 mm.","Over 1 mm, or the part came loose while printing."]},{"code":"gaps","name":"Gaps and thin walls","weight":2.0,"structural":true,"look":"Walls against a lamp, top skins.","anchors":["Closed everywhere.","Pinholes in one top skin.","Lines stand apart in one skin.","Lines stand apart on a wall.","Light through a wall.","Walls come apart between the fingers."]},{"code":"ringing","name":"Ringing after corners","weight":1.0,"structural":false,"look":"Raking light along the long faces.","anchors":["No echo of the corner.","One faint wave under raking light.","Two or three waves under raking light.","Waves seen in room light.","Waves felt by fingernail.","Waves over half the face."]},{"code":"foot","name":"First-layer bulge","weight":1.0,"structural":false,"look":"Bottom edge, all four sides.","anchors":["Edge as sharp as the others.","Bulge felt, under 0.05 mm.","Bulge up to 0.1 mm.","Bulge up to 0.2 mm.","Bulge up to 0.4 mm.","Bulge over 0.4 mm or a loose brim fused on."]},{"code":"skins","name":"Rough top skins","weight":1.0,"structural":false,"look":"Every upward face.","anchors":["Even lines, no marks.","Lines show a change of direction.","Nozzle marks on one face.","Rough on one face.","Rough on every face.","Holes or pillows through the skin."]}],"specimens":[{"id":"1412f026-2837-4737-8a37-0b8e3082168e","blind_code":"3XH","artifact":"Step block","asked":["stringing","blobs","shift","warp","gaps","ringing","foot","skins"],"scores":[{"id":"cadedd79-2ee5-4b78-80c4-f03bfea19c3a","defect":"stringing","severity":1,"corrected":false,"after_reveal":null},{"id":"893af70e-e16c-4d70-916d-a4694760a3e9","defect":"blobs","severity":1,"corrected":false,"after_reveal":null}],"locked":false,"locked_by_others":0,"quality":null,"rejected_by":null},{"id":"8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2","blind_code":"3E9","artifact":"Step block","asked":["stringing","blobs","shift","warp","gaps","ringing","foot","skins"],"scores":[],"locked":false,"locked_by_others":0,"quality":null,"rejected_by":null}],"may_reveal":false,"reveal_needs":"Still to be scored and locked: 3XH, 3E9.","revealed_at":null}	2026-11-27 07:55:55.297852+00
e1d1ed3d-d703-41fe-9545-b09a5cc9c3c3	8d8f9b3e-08d1-4d86-9291-3681ce165478	6e57635e3a399f7fe70a60e7b71e9dfcd179adaa4e96945db095ec219b50dac1	200	{"now":"2026-11-27T07:55:55.337191Z","defects":[{"code":"stringing","name":"Stringing","weight":1.0,"structural":false,"look":"Between parts that stand apart and across openings.","anchors":["No strings at arm's length or close up.","A few hairs that brush off.","Hairs on one side, gone with a heat gun.","Strings on several sides that need a knife.","Webs that hide an edge.","Webs that fill an opening or join parts that stand apart."]},{"code":"blobs","name":"Blobs and zits","weight":1.0,"structural":false,"look":"The seam and every corner.","anchors":["Smooth to the fingernail.","One or two dots felt, not seen.","Dots along the seam seen at half a metre.","A row of dots that throws a caliper off by 0.1 mm.","Blobs over 1 mm on more than one side.","Blobs that stop the part from seating."]},{"code":"shift","name":"Layer shift","weight":2.0,"structural":true,"look":"Sight down each edge against a straight line.","anchors":["Edges straight.","A step felt by nail, under 0.1 mm.","A step up to 0.2 mm.","A step up to 0.5 mm.","A step up to 1 mm.","A step over 1 mm, or more than one shift."]},{"code":"warp","name":"Warped corners","weight":1.5,"structural":true,"look":"Base on a flat plate, gauge under each corner.","anchors":["No light under any corner.","Light under one corner, 0.05 mm gauge does not enter.","Up to 0.2 mm under one corner.","Up to 0.5 mm, or two corners.","Up to 1 mm.","Over 1 mm, or the part came loose while printing."]},{"code":"gaps","name":"Gaps and thin walls","weight":2.0,"structural":true,"look":"Walls against a lamp, top skins.","anchors":["Closed everywhere.","Pinholes in one top skin.","Lines stand apart in one skin.","Lines stand apart on a wall.","Light through a wall.","Walls come apart between the fingers."]},{"code":"ringing","name":"Ringing after corners","weight":1.0,"structural":false,"look":"Raking light along the long faces.","anchors":["No echo of the corner.","One faint wave under raking light.","Two or three waves under raking light.","Waves seen in room light.","Waves felt by fingernail.","Waves over half the face."]},{"code":"foot","name":"First-layer bulge","weight":1.0,"structural":false,"look":"Bottom edge, all four sides.","anchors":["Edge as sharp as the others.","Bulge felt, under 0.05 mm.","Bulge up to 0.1 mm.","Bulge up to 0.2 mm.","Bulge up to 0.4 mm.","Bulge over 0.4 mm or a loose brim fused on."]},{"code":"skins","name":"Rough top skins","weight":1.0,"structural":false,"look":"Every upward face.","anchors":["Even lines, no marks.","Lines show a change of direction.","Nozzle marks on one face.","Rough on one face.","Rough on every face.","Holes or pillows through the skin."]}],"specimens":[{"id":"1412f026-2837-4737-8a37-0b8e3082168e","blind_code":"3XH","artifact":"Step block","asked":["stringing","blobs","shift","warp","gaps","ringing","foot","skins"],"scores":[{"id":"cadedd79-2ee5-4b78-80c4-f03bfea19c3a","defect":"stringing","severity":1,"corrected":false,"after_reveal":null},{"id":"893af70e-e16c-4d70-916d-a4694760a3e9","defect":"blobs","severity":1,"corrected":false,"after_reveal":null},{"id":"b1f78c8e-20f7-495c-b5d5-940521e47acc","defect":"shift","severity":1,"corrected":false,"after_reveal":null}],"locked":false,"locked_by_others":0,"quality":null,"rejected_by":null},{"id":"8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2","blind_code":"3E9","artifact":"Step block","asked":["stringing","blobs","shift","warp","gaps","ringing","foot","skins"],"scores":[],"locked":false,"locked_by_others":0,"quality":null,"rejected_by":null}],"may_reveal":false,"reveal_needs":"Still to be scored and locked: 3XH, 3E9.","revealed_at":null}	2026-11-27 07:55:55.320557+00
7e11c23a-c4b5-47dc-afca-9286484150b4	8d8f9b3e-08d1-4d86-9291-3681ce165478	f71040641932fe34be289ec36d07569d383e0686930beead4aee1b48015ef39f	200	{"now":"2026-11-27T07:55:55.359444Z","defects":[{"code":"stringing","name":"Stringing","weight":1.0,"structural":false,"look":"Between parts that stand apart and across openings.","anchors":["No strings at arm's length or close up.","A few hairs that brush off.","Hairs on one side, gone with a heat gun.","Strings on several sides that need a knife.","Webs that hide an edge.","Webs that fill an opening or join parts that stand apart."]},{"code":"blobs","name":"Blobs and zits","weight":1.0,"structural":false,"look":"The seam and every corner.","anchors":["Smooth to the fingernail.","One or two dots felt, not seen.","Dots along the seam seen at half a metre.","A row of dots that throws a caliper off by 0.1 mm.","Blobs over 1 mm on more than one side.","Blobs that stop the part from seating."]},{"code":"shift","name":"Layer shift","weight":2.0,"structural":true,"look":"Sight down each edge against a straight line.","anchors":["Edges straight.","A step felt by nail, under 0.1 mm.","A step up to 0.2 mm.","A step up to 0.5 mm.","A step up to 1 mm.","A step over 1 mm, or more than one shift."]},{"code":"warp","name":"Warped corners","weight":1.5,"structural":true,"look":"Base on a flat plate, gauge under each corner.","anchors":["No light under any corner.","Light under one corner, 0.05 mm gauge does not enter.","Up to 0.2 mm under one corner.","Up to 0.5 mm, or two corners.","Up to 1 mm.","Over 1 mm, or the part came loose while printing."]},{"code":"gaps","name":"Gaps and thin walls","weight":2.0,"structural":true,"look":"Walls against a lamp, top skins.","anchors":["Closed everywhere.","Pinholes in one top skin.","Lines stand apart in one skin.","Lines stand apart on a wall.","Light through a wall.","Walls come apart between the fingers."]},{"code":"ringing","name":"Ringing after corners","weight":1.0,"structural":false,"look":"Raking light along the long faces.","anchors":["No echo of the corner.","One faint wave under raking light.","Two or three waves under raking light.","Waves seen in room light.","Waves felt by fingernail.","Waves over half the face."]},{"code":"foot","name":"First-layer bulge","weight":1.0,"structural":false,"look":"Bottom edge, all four sides.","anchors":["Edge as sharp as the others.","Bulge felt, under 0.05 mm.","Bulge up to 0.1 mm.","Bulge up to 0.2 mm.","Bulge up to 0.4 mm.","Bulge over 0.4 mm or a loose brim fused on."]},{"code":"skins","name":"Rough top skins","weight":1.0,"structural":false,"look":"Every upward face.","anchors":["Even lines, no marks.","Lines show a change of direction.","Nozzle marks on one face.","Rough on one face.","Rough on every face.","Holes or pillows through the skin."]}],"specimens":[{"id":"1412f026-2837-4737-8a37-0b8e3082168e","blind_code":"3XH","artifact":"Step block","asked":["stringing","blobs","shift","warp","gaps","ringing","foot","skins"],"scores":[{"id":"cadedd79-2ee5-4b78-80c4-f03bfea19c3a","defect":"stringing","severity":1,"corrected":false,"after_reveal":null},{"id":"893af70e-e16c-4d70-916d-a4694760a3e9","defect":"blobs","severity":1,"corrected":false,"after_reveal":null},{"id":"b1f78c8e-20f7-495c-b5d5-940521e47acc","defect":"shift","severity":1,"corrected":false,"after_reveal":null},{"id":"0b3c8f09-b0b7-46d7-ba12-bf191ba37f90","defect":"warp","severity":1,"corrected":false,"after_reveal":null}],"locked":false,"locked_by_others":0,"quality":null,"rejected_by":null},{"id":"8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2","blind_code":"3E9","artifact":"Step block","asked":["stringing","blobs","shift","warp","gaps","ringing","foot","skins"],"scores":[],"locked":false,"locked_by_others":0,"quality":null,"rejected_by":null}],"may_reveal":false,"reveal_needs":"Still to be scored and locked: 3XH, 3E9.","revealed_at":null}	2026-11-27 07:55:55.342947+00
81a965c6-fc43-4841-bdaf-dcdb216a0174	8d8f9b3e-08d1-4d86-9291-3681ce165478	54b1f2bc0f1851d6b8844ddb01a3c002abc652cc5b2a41ea02e3de6a79ac2a0b	200	{"now":"2026-11-27T07:55:55.381795Z","defects":[{"code":"stringing","name":"Stringing","weight":1.0,"structural":false,"look":"Between parts that stand apart and across openings.","anchors":["No strings at arm's length or close up.","A few hairs that brush off.","Hairs on one side, gone with a heat gun.","Strings on several sides that need a knife.","Webs that hide an edge.","Webs that fill an opening or join parts that stand apart."]},{"code":"blobs","name":"Blobs and zits","weight":1.0,"structural":false,"look":"The seam and every corner.","anchors":["Smooth to the fingernail.","One or two dots felt, not seen.","Dots along the seam seen at half a metre.","A row of dots that throws a caliper off by 0.1 mm.","Blobs over 1 mm on more than one side.","Blobs that stop the part from seating."]},{"code":"shift","name":"Layer shift","weight":2.0,"structural":true,"look":"Sight down each edge against a straight line.","anchors":["Edges straight.","A step felt by nail, under 0.1 mm.","A step up to 0.2 mm.","A step up to 0.5 mm.","A step up to 1 mm.","A step over 1 mm, or more than one shift."]},{"code":"warp","name":"Warped corners","weight":1.5,"structural":true,"look":"Base on a flat plate, gauge under each corner.","anchors":["No light under any corner.","Light under one corner, 0.05 mm gauge does not enter.","Up to 0.2 mm under one corner.","Up to 0.5 mm, or two corners.","Up to 1 mm.","Over 1 mm, or the part came loose while printing."]},{"code":"gaps","name":"Gaps and thin walls","weight":2.0,"structural":true,"look":"Walls against a lamp, top skins.","anchors":["Closed everywhere.","Pinholes in one top skin.","Lines stand apart in one skin.","Lines stand apart on a wall.","Light through a wall.","Walls come apart between the fingers."]},{"code":"ringing","name":"Ringing after corners","weight":1.0,"structural":false,"look":"Raking light along the long faces.","anchors":["No echo of the corner.","One faint wave under raking light.","Two or three waves under raking light.","Waves seen in room light.","Waves felt by fingernail.","Waves over half the face."]},{"code":"foot","name":"First-layer bulge","weight":1.0,"structural":false,"look":"Bottom edge, all four sides.","anchors":["Edge as sharp as the others.","Bulge felt, under 0.05 mm.","Bulge up to 0.1 mm.","Bulge up to 0.2 mm.","Bulge up to 0.4 mm.","Bulge over 0.4 mm or a loose brim fused on."]},{"code":"skins","name":"Rough top skins","weight":1.0,"structural":false,"look":"Every upward face.","anchors":["Even lines, no marks.","Lines show a change of direction.","Nozzle marks on one face.","Rough on one face.","Rough on every face.","Holes or pillows through the skin."]}],"specimens":[{"id":"1412f026-2837-4737-8a37-0b8e3082168e","blind_code":"3XH","artifact":"Step block","asked":["stringing","blobs","shift","warp","gaps","ringing","foot","skins"],"scores":[{"id":"cadedd79-2ee5-4b78-80c4-f03bfea19c3a","defect":"stringing","severity":1,"corrected":false,"after_reveal":null},{"id":"893af70e-e16c-4d70-916d-a4694760a3e9","defect":"blobs","severity":1,"corrected":false,"after_reveal":null},{"id":"b1f78c8e-20f7-495c-b5d5-940521e47acc","defect":"shift","severity":1,"corrected":false,"after_reveal":null},{"id":"0b3c8f09-b0b7-46d7-ba12-bf191ba37f90","defect":"warp","severity":1,"corrected":false,"after_reveal":null},{"id":"020449db-bd88-4c87-8b3b-5fa65a43376f","defect":"gaps","severity":1,"corrected":false,"after_reveal":null}],"locked":false,"locked_by_others":0,"quality":null,"rejected_by":null},{"id":"8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2","blind_code":"3E9","artifact":"Step block","asked":["stringing","blobs","shift","warp","gaps","ringing","foot","skins"],"scores":[],"locked":false,"locked_by_others":0,"quality":null,"rejected_by":null}],"may_reveal":false,"reveal_needs":"Still to be scored and locked: 3XH, 3E9.","revealed_at":null}	2026-11-27 07:55:55.365142+00
dbdd1bc6-025a-4eb4-8dbe-c0b10547f12b	8d8f9b3e-08d1-4d86-9291-3681ce165478	1ed46310db1b9407d54d03c61cf0ab47d1e45dad83378ba499d7f1c0b6506050	200	{"now":"2026-11-27T07:55:55.419279Z","defects":[{"code":"stringing","name":"Stringing","weight":1.0,"structural":false,"look":"Between parts that stand apart and across openings.","anchors":["No strings at arm's length or close up.","A few hairs that brush off.","Hairs on one side, gone with a heat gun.","Strings on several sides that need a knife.","Webs that hide an edge.","Webs that fill an opening or join parts that stand apart."]},{"code":"blobs","name":"Blobs and zits","weight":1.0,"structural":false,"look":"The seam and every corner.","anchors":["Smooth to the fingernail.","One or two dots felt, not seen.","Dots along the seam seen at half a metre.","A row of dots that throws a caliper off by 0.1 mm.","Blobs over 1 mm on more than one side.","Blobs that stop the part from seating."]},{"code":"shift","name":"Layer shift","weight":2.0,"structural":true,"look":"Sight down each edge against a straight line.","anchors":["Edges straight.","A step felt by nail, under 0.1 mm.","A step up to 0.2 mm.","A step up to 0.5 mm.","A step up to 1 mm.","A step over 1 mm, or more than one shift."]},{"code":"warp","name":"Warped corners","weight":1.5,"structural":true,"look":"Base on a flat plate, gauge under each corner.","anchors":["No light under any corner.","Light under one corner, 0.05 mm gauge does not enter.","Up to 0.2 mm under one corner.","Up to 0.5 mm, or two corners.","Up to 1 mm.","Over 1 mm, or the part came loose while printing."]},{"code":"gaps","name":"Gaps and thin walls","weight":2.0,"structural":true,"look":"Walls against a lamp, top skins.","anchors":["Closed everywhere.","Pinholes in one top skin.","Lines stand apart in one skin.","Lines stand apart on a wall.","Light through a wall.","Walls come apart between the fingers."]},{"code":"ringing","name":"Ringing after corners","weight":1.0,"structural":false,"look":"Raking light along the long faces.","anchors":["No echo of the corner.","One faint wave under raking light.","Two or three waves under raking light.","Waves seen in room light.","Waves felt by fingernail.","Waves over half the face."]},{"code":"foot","name":"First-layer bulge","weight":1.0,"structural":false,"look":"Bottom edge, all four sides.","anchors":["Edge as sharp as the others.","Bulge felt, under 0.05 mm.","Bulge up to 0.1 mm.","Bulge up to 0.2 mm.","Bulge up to 0.4 mm.","Bulge over 0.4 mm or a loose brim fused on."]},{"code":"skins","name":"Rough top skins","weight":1.0,"structural":false,"look":"Every upward face.","anchors":["Even lines, no marks.","Lines show a change of direction.","Nozzle marks on one face.","Rough on one face.","Rough on every face.","Holes or pillows through the skin."]}],"specimens":[{"id":"1412f026-2837-4737-8a37-0b8e3082168e","blind_code":"3XH","artifact":"Step block","asked":["stringing","blobs","shift","warp","gaps","ringing","foot","skins"],"scores":[{"id":"cadedd79-2ee5-4b78-80c4-f03bfea19c3a","defect":"stringing","severity":1,"corrected":false,"after_reveal":null},{"id":"893af70e-e16c-4d70-916d-a4694760a3e9","defect":"blobs","severity":1,"corrected":false,"after_reveal":null},{"id":"b1f78c8e-20f7-495c-b5d5-940521e47acc","defect":"shift","severity":1,"corrected":false,"after_reveal":null},{"id":"0b3c8f09-b0b7-46d7-ba12-bf191ba37f90","defect":"warp","severity":1,"corrected":false,"after_reveal":null},{"id":"020449db-bd88-4c87-8b3b-5fa65a43376f","defect":"gaps","severity":1,"corrected":false,"after_reveal":null},{"id":"c62c72d5-1409-45ca-949c-84f028885f02","defect":"ringing","severity":1,"corrected":false,"after_reveal":null}],"locked":false,"locked_by_others":0,"quality":null,"rejected_by":null},{"id":"8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2","blind_code":"3E9","artifact":"Step block","asked":["stringing","blobs","shift","warp","gaps","ringing","foot","skins"],"scores":[],"locked":false,"locked_by_others":0,"quality":null,"rejected_by":null}],"may_reveal":false,"reveal_needs":"Still to be scored and locked: 3XH, 3E9.","revealed_at":null}	2026-11-27 07:55:55.387582+00
19093901-46f0-48ff-9ed0-89b2ce828609	8d8f9b3e-08d1-4d86-9291-3681ce165478	c3589e27b81f91629970d050847c12b114a6e44f2c49c9f93f328cb1d1d385df	200	{"now":"2026-11-27T07:55:55.452990Z","defects":[{"code":"stringing","name":"Stringing","weight":1.0,"structural":false,"look":"Between parts that stand apart and across openings.","anchors":["No strings at arm's length or close up.","A few hairs that brush off.","Hairs on one side, gone with a heat gun.","Strings on several sides that need a knife.","Webs that hide an edge.","Webs that fill an opening or join parts that stand apart."]},{"code":"blobs","name":"Blobs and zits","weight":1.0,"structural":false,"look":"The seam and every corner.","anchors":["Smooth to the fingernail.","One or two dots felt, not seen.","Dots along the seam seen at half a metre.","A row of dots that throws a caliper off by 0.1 mm.","Blobs over 1 mm on more than one side.","Blobs that stop the part from seating."]},{"code":"shift","name":"Layer shift","weight":2.0,"structural":true,"look":"Sight down each edge against a straight line.","anchors":["Edges straight.","A step felt by nail, under 0.1 mm.","A step up to 0.2 mm.","A step up to 0.5 mm.","A step up to 1 mm.","A step over 1 mm, or more than one shift."]},{"code":"warp","name":"Warped corners","weight":1.5,"structural":true,"look":"Base on a flat plate, gauge under each corner.","anchors":["No light under any corner.","Light under one corner, 0.05 mm gauge does not enter.","Up to 0.2 mm under one corner.","Up to 0.5 mm, or two corners.","Up to 1 mm.","Over 1 mm, or the part came loose while printing."]},{"code":"gaps","name":"Gaps and thin walls","weight":2.0,"structural":true,"look":"Walls against a lamp, top skins.","anchors":["Closed everywhere.","Pinholes in one top skin.","Lines stand apart in one skin.","Lines stand apart on a wall.","Light through a wall.","Walls come apart between the fingers."]},{"code":"ringing","name":"Ringing after corners","weight":1.0,"structural":false,"look":"Raking light along the long faces.","anchors":["No echo of the corner.","One faint wave under raking light.","Two or three waves under raking light.","Waves seen in room light.","Waves felt by fingernail.","Waves over half the face."]},{"code":"foot","name":"First-layer bulge","weight":1.0,"structural":false,"look":"Bottom edge, all four sides.","anchors":["Edge as sharp as the others.","Bulge felt, under 0.05 mm.","Bulge up to 0.1 mm.","Bulge up to 0.2 mm.","Bulge up to 0.4 mm.","Bulge over 0.4 mm or a loose brim fused on."]},{"code":"skins","name":"Rough top skins","weight":1.0,"structural":false,"look":"Every upward face.","anchors":["Even lines, no marks.","Lines show a change of direction.","Nozzle marks on one face.","Rough on one face.","Rough on every face.","Holes or pillows through the skin."]}],"specimens":[{"id":"1412f026-2837-4737-8a37-0b8e3082168e","blind_code":"3XH","artifact":"Step block","asked":["stringing","blobs","shift","warp","gaps","ringing","foot","skins"],"scores":[{"id":"cadedd79-2ee5-4b78-80c4-f03bfea19c3a","defect":"stringing","severity":1,"corrected":false,"after_reveal":null},{"id":"893af70e-e16c-4d70-916d-a4694760a3e9","defect":"blobs","severity":1,"corrected":false,"after_reveal":null},{"id":"b1f78c8e-20f7-495c-b5d5-940521e47acc","defect":"shift","severity":1,"corrected":false,"after_reveal":null},{"id":"0b3c8f09-b0b7-46d7-ba12-bf191ba37f90","defect":"warp","severity":1,"corrected":false,"after_reveal":null},{"id":"020449db-bd88-4c87-8b3b-5fa65a43376f","defect":"gaps","severity":1,"corrected":false,"after_reveal":null},{"id":"c62c72d5-1409-45ca-949c-84f028885f02","defect":"ringing","severity":1,"corrected":false,"after_reveal":null},{"id":"fa71121a-e5c7-41f0-b019-cec3222034e3","defect":"foot","severity":1,"corrected":false,"after_reveal":null}],"locked":false,"locked_by_others":0,"quality":null,"rejected_by":null},{"id":"8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2","blind_code":"3E9","artifact":"Step block","asked":["stringing","blobs","shift","warp","gaps","ringing","foot","skins"],"scores":[],"locked":false,"locked_by_others":0,"quality":null,"rejected_by":null}],"may_reveal":false,"reveal_needs":"Still to be scored and locked: 3XH, 3E9.","revealed_at":null}	2026-11-27 07:55:55.427965+00
69cfd83c-9b0c-4518-bc5b-e4e580d1d5a6	8d8f9b3e-08d1-4d86-9291-3681ce165478	f825514d46d4ec63f44e2f3b5589a760a3bdf32c0e0baf69f9eb4a797d250894	200	{"now":"2026-11-27T07:55:55.494913Z","defects":[{"code":"stringing","name":"Stringing","weight":1.0,"structural":false,"look":"Between parts that stand apart and across openings.","anchors":["No strings at arm's length or close up.","A few hairs that brush off.","Hairs on one side, gone with a heat gun.","Strings on several sides that need a knife.","Webs that hide an edge.","Webs that fill an opening or join parts that stand apart."]},{"code":"blobs","name":"Blobs and zits","weight":1.0,"structural":false,"look":"The seam and every corner.","anchors":["Smooth to the fingernail.","One or two dots felt, not seen.","Dots along the seam seen at half a metre.","A row of dots that throws a caliper off by 0.1 mm.","Blobs over 1 mm on more than one side.","Blobs that stop the part from seating."]},{"code":"shift","name":"Layer shift","weight":2.0,"structural":true,"look":"Sight down each edge against a straight line.","anchors":["Edges straight.","A step felt by nail, under 0.1 mm.","A step up to 0.2 mm.","A step up to 0.5 mm.","A step up to 1 mm.","A step over 1 mm, or more than one shift."]},{"code":"warp","name":"Warped corners","weight":1.5,"structural":true,"look":"Base on a flat plate, gauge under each corner.","anchors":["No light under any corner.","Light under one corner, 0.05 mm gauge does not enter.","Up to 0.2 mm under one corner.","Up to 0.5 mm, or two corners.","Up to 1 mm.","Over 1 mm, or the part came loose while printing."]},{"code":"gaps","name":"Gaps and thin walls","weight":2.0,"structural":true,"look":"Walls against a lamp, top skins.","anchors":["Closed everywhere.","Pinholes in one top skin.","Lines stand apart in one skin.","Lines stand apart on a wall.","Light through a wall.","Walls come apart between the fingers."]},{"code":"ringing","name":"Ringing after corners","weight":1.0,"structural":false,"look":"Raking light along the long faces.","anchors":["No echo of the corner.","One faint wave under raking light.","Two or three waves under raking light.","Waves seen in room light.","Waves felt by fingernail.","Waves over half the face."]},{"code":"foot","name":"First-layer bulge","weight":1.0,"structural":false,"look":"Bottom edge, all four sides.","anchors":["Edge as sharp as the others.","Bulge felt, under 0.05 mm.","Bulge up to 0.1 mm.","Bulge up to 0.2 mm.","Bulge up to 0.4 mm.","Bulge over 0.4 mm or a loose brim fused on."]},{"code":"skins","name":"Rough top skins","weight":1.0,"structural":false,"look":"Every upward face.","anchors":["Even lines, no marks.","Lines show a change of direction.","Nozzle marks on one face.","Rough on one face.","Rough on every face.","Holes or pillows through the skin."]}],"specimens":[{"id":"1412f026-2837-4737-8a37-0b8e3082168e","blind_code":"3XH","artifact":"Step block","asked":["stringing","blobs","shift","warp","gaps","ringing","foot","skins"],"scores":[{"id":"cadedd79-2ee5-4b78-80c4-f03bfea19c3a","defect":"stringing","severity":1,"corrected":false,"after_reveal":null},{"id":"893af70e-e16c-4d70-916d-a4694760a3e9","defect":"blobs","severity":1,"corrected":false,"after_reveal":null},{"id":"b1f78c8e-20f7-495c-b5d5-940521e47acc","defect":"shift","severity":1,"corrected":false,"after_reveal":null},{"id":"0b3c8f09-b0b7-46d7-ba12-bf191ba37f90","defect":"warp","severity":1,"corrected":false,"after_reveal":null},{"id":"020449db-bd88-4c87-8b3b-5fa65a43376f","defect":"gaps","severity":1,"corrected":false,"after_reveal":null},{"id":"c62c72d5-1409-45ca-949c-84f028885f02","defect":"ringing","severity":1,"corrected":false,"after_reveal":null},{"id":"fa71121a-e5c7-41f0-b019-cec3222034e3","defect":"foot","severity":1,"corrected":false,"after_reveal":null},{"id":"74264dbe-7864-49a8-98f7-527aed629973","defect":"skins","severity":1,"corrected":false,"after_reveal":null}],"locked":false,"locked_by_others":0,"quality":null,"rejected_by":null},{"id":"8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2","blind_code":"3E9","artifact":"Step block","asked":["stringing","blobs","shift","warp","gaps","ringing","foot","skins"],"scores":[],"locked":false,"locked_by_others":0,"quality":null,"rejected_by":null}],"may_reveal":false,"reveal_needs":"Still to be scored and locked: 3XH, 3E9.","revealed_at":null}	2026-11-27 07:55:55.464257+00
71b8440b-fd68-4b8c-a0dd-e3357f03ba4e	8d8f9b3e-08d1-4d86-9291-3681ce165478	415ac3215c6d4e6461e01eef2d3365ee6043937d792fb0e2c11deb8f0a250c58	200	{"now":"2026-11-27T07:55:55.552196Z","defects":[{"code":"stringing","name":"Stringing","weight":1.0,"structural":false,"look":"Between parts that stand apart and across openings.","anchors":["No strings at arm's length or close up.","A few hairs that brush off.","Hairs on one side, gone with a heat gun.","Strings on several sides that need a knife.","Webs that hide an edge.","Webs that fill an opening or join parts that stand apart."]},{"code":"blobs","name":"Blobs and zits","weight":1.0,"structural":false,"look":"The seam and every corner.","anchors":["Smooth to the fingernail.","One or two dots felt, not seen.","Dots along the seam seen at half a metre.","A row of dots that throws a caliper off by 0.1 mm.","Blobs over 1 mm on more than one side.","Blobs that stop the part from seating."]},{"code":"shift","name":"Layer shift","weight":2.0,"structural":true,"look":"Sight down each edge against a straight line.","anchors":["Edges straight.","A step felt by nail, under 0.1 mm.","A step up to 0.2 mm.","A step up to 0.5 mm.","A step up to 1 mm.","A step over 1 mm, or more than one shift."]},{"code":"warp","name":"Warped corners","weight":1.5,"structural":true,"look":"Base on a flat plate, gauge under each corner.","anchors":["No light under any corner.","Light under one corner, 0.05 mm gauge does not enter.","Up to 0.2 mm under one corner.","Up to 0.5 mm, or two corners.","Up to 1 mm.","Over 1 mm, or the part came loose while printing."]},{"code":"gaps","name":"Gaps and thin walls","weight":2.0,"structural":true,"look":"Walls against a lamp, top skins.","anchors":["Closed everywhere.","Pinholes in one top skin.","Lines stand apart in one skin.","Lines stand apart on a wall.","Light through a wall.","Walls come apart between the fingers."]},{"code":"ringing","name":"Ringing after corners","weight":1.0,"structural":false,"look":"Raking light along the long faces.","anchors":["No echo of the corner.","One faint wave under raking light.","Two or three waves under raking light.","Waves seen in room light.","Waves felt by fingernail.","Waves over half the face."]},{"code":"foot","name":"First-layer bulge","weight":1.0,"structural":false,"look":"Bottom edge, all four sides.","anchors":["Edge as sharp as the others.","Bulge felt, under 0.05 mm.","Bulge up to 0.1 mm.","Bulge up to 0.2 mm.","Bulge up to 0.4 mm.","Bulge over 0.4 mm or a loose brim fused on."]},{"code":"skins","name":"Rough top skins","weight":1.0,"structural":false,"look":"Every upward face.","anchors":["Even lines, no marks.","Lines show a change of direction.","Nozzle marks on one face.","Rough on one face.","Rough on every face.","Holes or pillows through the skin."]}],"specimens":[{"id":"1412f026-2837-4737-8a37-0b8e3082168e","blind_code":"3XH","artifact":"Step block","asked":["stringing","blobs","shift","warp","gaps","ringing","foot","skins"],"scores":[{"id":"cadedd79-2ee5-4b78-80c4-f03bfea19c3a","defect":"stringing","severity":1,"corrected":false,"after_reveal":null},{"id":"893af70e-e16c-4d70-916d-a4694760a3e9","defect":"blobs","severity":1,"corrected":false,"after_reveal":null},{"id":"b1f78c8e-20f7-495c-b5d5-940521e47acc","defect":"shift","severity":1,"corrected":false,"after_reveal":null},{"id":"0b3c8f09-b0b7-46d7-ba12-bf191ba37f90","defect":"warp","severity":1,"corrected":false,"after_reveal":null},{"id":"020449db-bd88-4c87-8b3b-5fa65a43376f","defect":"gaps","severity":1,"corrected":false,"after_reveal":null},{"id":"c62c72d5-1409-45ca-949c-84f028885f02","defect":"ringing","severity":1,"corrected":false,"after_reveal":null},{"id":"fa71121a-e5c7-41f0-b019-cec3222034e3","defect":"foot","severity":1,"corrected":false,"after_reveal":null},{"id":"74264dbe-7864-49a8-98f7-527aed629973","defect":"skins","severity":1,"corrected":false,"after_reveal":null}],"locked":true,"locked_by_others":0,"quality":80.0,"rejected_by":null},{"id":"8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2","blind_code":"3E9","artifact":"Step block","asked":["stringing","blobs","shift","warp","gaps","ringing","foot","skins"],"scores":[],"locked":false,"locked_by_others":0,"quality":null,"rejected_by":null}],"may_reveal":false,"reveal_needs":"Still to be scored and locked: 3E9.","revealed_at":null}	2026-11-27 07:55:55.507985+00
c3e7978c-887f-49e4-b028-313cc8059bc5	8d8f9b3e-08d1-4d86-9291-3681ce165478	e4c27d36dca41a44cc11fb4fee83ac0d41a267cc11526d0f7d960c27501f8fda	200	{"now":"2026-11-27T07:55:55.602242Z","defects":[{"code":"stringing","name":"Stringing","weight":1.0,"structural":false,"look":"Between parts that stand apart and across openings.","anchors":["No strings at arm's length or close up.","A few hairs that brush off.","Hairs on one side, gone with a heat gun.","Strings on several sides that need a knife.","Webs that hide an edge.","Webs that fill an opening or join parts that stand apart."]},{"code":"blobs","name":"Blobs and zits","weight":1.0,"structural":false,"look":"The seam and every corner.","anchors":["Smooth to the fingernail.","One or two dots felt, not seen.","Dots along the seam seen at half a metre.","A row of dots that throws a caliper off by 0.1 mm.","Blobs over 1 mm on more than one side.","Blobs that stop the part from seating."]},{"code":"shift","name":"Layer shift","weight":2.0,"structural":true,"look":"Sight down each edge against a straight line.","anchors":["Edges straight.","A step felt by nail, under 0.1 mm.","A step up to 0.2 mm.","A step up to 0.5 mm.","A step up to 1 mm.","A step over 1 mm, or more than one shift."]},{"code":"warp","name":"Warped corners","weight":1.5,"structural":true,"look":"Base on a flat plate, gauge under each corner.","anchors":["No light under any corner.","Light under one corner, 0.05 mm gauge does not enter.","Up to 0.2 mm under one corner.","Up to 0.5 mm, or two corners.","Up to 1 mm.","Over 1 mm, or the part came loose while printing."]},{"code":"gaps","name":"Gaps and thin walls","weight":2.0,"structural":true,"look":"Walls against a lamp, top skins.","anchors":["Closed everywhere.","Pinholes in one top skin.","Lines stand apart in one skin.","Lines stand apart on a wall.","Light through a wall.","Walls come apart between the fingers."]},{"code":"ringing","name":"Ringing after corners","weight":1.0,"structural":false,"look":"Raking light along the long faces.","anchors":["No echo of the corner.","One faint wave under raking light.","Two or three waves under raking light.","Waves seen in room light.","Waves felt by fingernail.","Waves over half the face."]},{"code":"foot","name":"First-layer bulge","weight":1.0,"structural":false,"look":"Bottom edge, all four sides.","anchors":["Edge as sharp as the others.","Bulge felt, under 0.05 mm.","Bulge up to 0.1 mm.","Bulge up to 0.2 mm.","Bulge up to 0.4 mm.","Bulge over 0.4 mm or a loose brim fused on."]},{"code":"skins","name":"Rough top skins","weight":1.0,"structural":false,"look":"Every upward face.","anchors":["Even lines, no marks.","Lines show a change of direction.","Nozzle marks on one face.","Rough on one face.","Rough on every face.","Holes or pillows through the skin."]}],"specimens":[{"id":"1412f026-2837-4737-8a37-0b8e3082168e","blind_code":"3XH","artifact":"Step block","asked":["stringing","blobs","shift","warp","gaps","ringing","foot","skins"],"scores":[{"id":"cadedd79-2ee5-4b78-80c4-f03bfea19c3a","defect":"stringing","severity":1,"corrected":false,"after_reveal":null},{"id":"893af70e-e16c-4d70-916d-a4694760a3e9","defect":"blobs","severity":1,"corrected":false,"after_reveal":null},{"id":"b1f78c8e-20f7-495c-b5d5-940521e47acc","defect":"shift","severity":1,"corrected":false,"after_reveal":null},{"id":"0b3c8f09-b0b7-46d7-ba12-bf191ba37f90","defect":"warp","severity":1,"corrected":false,"after_reveal":null},{"id":"020449db-bd88-4c87-8b3b-5fa65a43376f","defect":"gaps","severity":1,"corrected":false,"after_reveal":null},{"id":"c62c72d5-1409-45ca-949c-84f028885f02","defect":"ringing","severity":1,"corrected":false,"after_reveal":null},{"id":"fa71121a-e5c7-41f0-b019-cec3222034e3","defect":"foot","severity":1,"corrected":false,"after_reveal":null},{"id":"74264dbe-7864-49a8-98f7-527aed629973","defect":"skins","severity":1,"corrected":false,"after_reveal":null}],"locked":true,"locked_by_others":0,"quality":80.0,"rejected_by":null},{"id":"8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2","blind_code":"3E9","artifact":"Step block","asked":["stringing","blobs","shift","warp","gaps","ringing","foot","skins"],"scores":[{"id":"219cf9bb-5f64-45d5-871c-e3dfb1cb22ce","defect":"stringing","severity":1,"corrected":false,"after_reveal":null}],"locked":false,"locked_by_others":0,"quality":null,"rejected_by":null}],"may_reveal":false,"reveal_needs":"Still to be scored and locked: 3E9.","revealed_at":null}	2026-11-27 07:55:55.566239+00
b566a146-1855-4520-b199-bd8d3ecfd112	8d8f9b3e-08d1-4d86-9291-3681ce165478	84f6985b5df060f64c6087c85b40cc178e9df78d62ab502a060a66c768243c66	200	{"now":"2026-11-27T07:55:55.636439Z","defects":[{"code":"stringing","name":"Stringing","weight":1.0,"structural":false,"look":"Between parts that stand apart and across openings.","anchors":["No strings at arm's length or close up.","A few hairs that brush off.","Hairs on one side, gone with a heat gun.","Strings on several sides that need a knife.","Webs that hide an edge.","Webs that fill an opening or join parts that stand apart."]},{"code":"blobs","name":"Blobs and zits","weight":1.0,"structural":false,"look":"The seam and every corner.","anchors":["Smooth to the fingernail.","One or two dots felt, not seen.","Dots along the seam seen at half a metre.","A row of dots that throws a caliper off by 0.1 mm.","Blobs over 1 mm on more than one side.","Blobs that stop the part from seating."]},{"code":"shift","name":"Layer shift","weight":2.0,"structural":true,"look":"Sight down each edge against a straight line.","anchors":["Edges straight.","A step felt by nail, under 0.1 mm.","A step up to 0.2 mm.","A step up to 0.5 mm.","A step up to 1 mm.","A step over 1 mm, or more than one shift."]},{"code":"warp","name":"Warped corners","weight":1.5,"structural":true,"look":"Base on a flat plate, gauge under each corner.","anchors":["No light under any corner.","Light under one corner, 0.05 mm gauge does not enter.","Up to 0.2 mm under one corner.","Up to 0.5 mm, or two corners.","Up to 1 mm.","Over 1 mm, or the part came loose while printing."]},{"code":"gaps","name":"Gaps and thin walls","weight":2.0,"structural":true,"look":"Walls against a lamp, top skins.","anchors":["Closed everywhere.","Pinholes in one top skin.","Lines stand apart in one skin.","Lines stand apart on a wall.","Light through a wall.","Walls come apart between the fingers."]},{"code":"ringing","name":"Ringing after corners","weight":1.0,"structural":false,"look":"Raking light along the long faces.","anchors":["No echo of the corner.","One faint wave under raking light.","Two or three waves under raking light.","Waves seen in room light.","Waves felt by fingernail.","Waves over half the face."]},{"code":"foot","name":"First-layer bulge","weight":1.0,"structural":false,"look":"Bottom edge, all four sides.","anchors":["Edge as sharp as the others.","Bulge felt, under 0.05 mm.","Bulge up to 0.1 mm.","Bulge up to 0.2 mm.","Bulge up to 0.4 mm.","Bulge over 0.4 mm or a loose brim fused on."]},{"code":"skins","name":"Rough top skins","weight":1.0,"structural":false,"look":"Every upward face.","anchors":["Even lines, no marks.","Lines show a change of direction.","Nozzle marks on one face.","Rough on one face.","Rough on every face.","Holes or pillows through the skin."]}],"specimens":[{"id":"1412f026-2837-4737-8a37-0b8e3082168e","blind_code":"3XH","artifact":"Step block","asked":["stringing","blobs","shift","warp","gaps","ringing","foot","skins"],"scores":[{"id":"cadedd79-2ee5-4b78-80c4-f03bfea19c3a","defect":"stringing","severity":1,"corrected":false,"after_reveal":null},{"id":"893af70e-e16c-4d70-916d-a4694760a3e9","defect":"blobs","severity":1,"corrected":false,"after_reveal":null},{"id":"b1f78c8e-20f7-495c-b5d5-940521e47acc","defect":"shift","severity":1,"corrected":false,"after_reveal":null},{"id":"0b3c8f09-b0b7-46d7-ba12-bf191ba37f90","defect":"warp","severity":1,"corrected":false,"after_reveal":null},{"id":"020449db-bd88-4c87-8b3b-5fa65a43376f","defect":"gaps","severity":1,"corrected":false,"after_reveal":null},{"id":"c62c72d5-1409-45ca-949c-84f028885f02","defect":"ringing","severity":1,"corrected":false,"after_reveal":null},{"id":"fa71121a-e5c7-41f0-b019-cec3222034e3","defect":"foot","severity":1,"corrected":false,"after_reveal":null},{"id":"74264dbe-7864-49a8-98f7-527aed629973","defect":"skins","severity":1,"corrected":false,"after_reveal":null}],"locked":true,"locked_by_others":0,"quality":80.0,"rejected_by":null},{"id":"8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2","blind_code":"3E9","artifact":"Step block","asked":["stringing","blobs","shift","warp","gaps","ringing","foot","skins"],"scores":[{"id":"219cf9bb-5f64-45d5-871c-e3dfb1cb22ce","defect":"stringing","severity":1,"corrected":false,"after_reveal":null},{"id":"a7251efa-f07b-4073-a811-a082c77c46f1","defect":"blobs","severity":1,"corrected":false,"after_reveal":null}],"locked":false,"locked_by_others":0,"quality":null,"rejected_by":null}],"may_reveal":false,"reveal_needs":"Still to be scored and locked: 3E9.","revealed_at":null}	2026-11-27 07:55:55.611989+00
1aa10e19-fa81-49e0-8272-1f2110f72cee	8d8f9b3e-08d1-4d86-9291-3681ce165478	909ef40111e50a8bef6b2eadea2d44785dc5874bda5645f942f39acfb2cc12ab	200	{"now":"2026-11-27T07:55:55.682258Z","defects":[{"code":"stringing","name":"Stringing","weight":1.0,"structural":false,"look":"Between parts that stand apart and across openings.","anchors":["No strings at arm's length or close up.","A few hairs that brush off.","Hairs on one side, gone with a heat gun.","Strings on several sides that need a knife.","Webs that hide an edge.","Webs that fill an opening or join parts that stand apart."]},{"code":"blobs","name":"Blobs and zits","weight":1.0,"structural":false,"look":"The seam and every corner.","anchors":["Smooth to the fingernail.","One or two dots felt, not seen.","Dots along the seam seen at half a metre.","A row of dots that throws a caliper off by 0.1 mm.","Blobs over 1 mm on more than one side.","Blobs that stop the part from seating."]},{"code":"shift","name":"Layer shift","weight":2.0,"structural":true,"look":"Sight down each edge against a straight line.","anchors":["Edges straight.","A step felt by nail, under 0.1 mm.","A step up to 0.2 mm.","A step up to 0.5 mm.","A step up to 1 mm.","A step over 1 mm, or more than one shift."]},{"code":"warp","name":"Warped corners","weight":1.5,"structural":true,"look":"Base on a flat plate, gauge under each corner.","anchors":["No light under any corner.","Light under one corner, 0.05 mm gauge does not enter.","Up to 0.2 mm under one corner.","Up to 0.5 mm, or two corners.","Up to 1 mm.","Over 1 mm, or the part came loose while printing."]},{"code":"gaps","name":"Gaps and thin walls","weight":2.0,"structural":true,"look":"Walls against a lamp, top skins.","anchors":["Closed everywhere.","Pinholes in one top skin.","Lines stand apart in one skin.","Lines stand apart on a wall.","Light through a wall.","Walls come apart between the fingers."]},{"code":"ringing","name":"Ringing after corners","weight":1.0,"structural":false,"look":"Raking light along the long faces.","anchors":["No echo of the corner.","One faint wave under raking light.","Two or three waves under raking light.","Waves seen in room light.","Waves felt by fingernail.","Waves over half the face."]},{"code":"foot","name":"First-layer bulge","weight":1.0,"structural":false,"look":"Bottom edge, all four sides.","anchors":["Edge as sharp as the others.","Bulge felt, under 0.05 mm.","Bulge up to 0.1 mm.","Bulge up to 0.2 mm.","Bulge up to 0.4 mm.","Bulge over 0.4 mm or a loose brim fused on."]},{"code":"skins","name":"Rough top skins","weight":1.0,"structural":false,"look":"Every upward face.","anchors":["Even lines, no marks.","Lines show a change of direction.","Nozzle marks on one face.","Rough on one face.","Rough on every face.","Holes or pillows through the skin."]}],"specimens":[{"id":"1412f026-2837-4737-8a37-0b8e3082168e","blind_code":"3XH","artifact":"Step block","asked":["stringing","blobs","shift","warp","gaps","ringing","foot","skins"],"scores":[{"id":"cadedd79-2ee5-4b78-80c4-f03bfea19c3a","defect":"stringing","severity":1,"corrected":false,"after_reveal":null},{"id":"893af70e-e16c-4d70-916d-a4694760a3e9","defect":"blobs","severity":1,"corrected":false,"after_reveal":null},{"id":"b1f78c8e-20f7-495c-b5d5-940521e47acc","defect":"shift","severity":1,"corrected":false,"after_reveal":null},{"id":"0b3c8f09-b0b7-46d7-ba12-bf191ba37f90","defect":"warp","severity":1,"corrected":false,"after_reveal":null},{"id":"020449db-bd88-4c87-8b3b-5fa65a43376f","defect":"gaps","severity":1,"corrected":false,"after_reveal":null},{"id":"c62c72d5-1409-45ca-949c-84f028885f02","defect":"ringing","severity":1,"corrected":false,"after_reveal":null},{"id":"fa71121a-e5c7-41f0-b019-cec3222034e3","defect":"foot","severity":1,"corrected":false,"after_reveal":null},{"id":"74264dbe-7864-49a8-98f7-527aed629973","defect":"skins","severity":1,"corrected":false,"after_reveal":null}],"locked":true,"locked_by_others":0,"quality":80.0,"rejected_by":null},{"id":"8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2","blind_code":"3E9","artifact":"Step block","asked":["stringing","blobs","shift","warp","gaps","ringing","foot","skins"],"scores":[{"id":"219cf9bb-5f64-45d5-871c-e3dfb1cb22ce","defect":"stringing","severity":1,"corrected":false,"after_reveal":null},{"id":"a7251efa-f07b-4073-a811-a082c77c46f1","defect":"blobs","severity":1,"corrected":false,"after_reveal":null},{"id":"29330839-e0d4-4b1f-a81e-06cd8d62f125","defect":"shift","severity":1,"corrected":false,"after_reveal":null}],"locked":false,"locked_by_others":0,"quality":null,"rejected_by":null}],"may_reveal":false,"reveal_needs":"Still to be scored and locked: 3E9.","revealed_at":null}	2026-11-27 07:55:55.650203+00
74918d4e-26ad-475b-933d-f2a655211386	8d8f9b3e-08d1-4d86-9291-3681ce165478	f3c1d507c6c0d1dc4b72d6eb174fa9a0c6309ddfc3799b98e52b25aad333e378	200	{"now":"2026-11-27T07:55:55.724308Z","defects":[{"code":"stringing","name":"Stringing","weight":1.0,"structural":false,"look":"Between parts that stand apart and across openings.","anchors":["No strings at arm's length or close up.","A few hairs that brush off.","Hairs on one side, gone with a heat gun.","Strings on several sides that need a knife.","Webs that hide an edge.","Webs that fill an opening or join parts that stand apart."]},{"code":"blobs","name":"Blobs and zits","weight":1.0,"structural":false,"look":"The seam and every corner.","anchors":["Smooth to the fingernail.","One or two dots felt, not seen.","Dots along the seam seen at half a metre.","A row of dots that throws a caliper off by 0.1 mm.","Blobs over 1 mm on more than one side.","Blobs that stop the part from seating."]},{"code":"shift","name":"Layer shift","weight":2.0,"structural":true,"look":"Sight down each edge against a straight line.","anchors":["Edges straight.","A step felt by nail, under 0.1 mm.","A step up to 0.2 mm.","A step up to 0.5 mm.","A step up to 1 mm.","A step over 1 mm, or more than one shift."]},{"code":"warp","name":"Warped corners","weight":1.5,"structural":true,"look":"Base on a flat plate, gauge under each corner.","anchors":["No light under any corner.","Light under one corner, 0.05 mm gauge does not enter.","Up to 0.2 mm under one corner.","Up to 0.5 mm, or two corners.","Up to 1 mm.","Over 1 mm, or the part came loose while printing."]},{"code":"gaps","name":"Gaps and thin walls","weight":2.0,"structural":true,"look":"Walls against a lamp, top skins.","anchors":["Closed everywhere.","Pinholes in one top skin.","Lines stand apart in one skin.","Lines stand apart on a wall.","Light through a wall.","Walls come apart between the fingers."]},{"code":"ringing","name":"Ringing after corners","weight":1.0,"structural":false,"look":"Raking light along the long faces.","anchors":["No echo of the corner.","One faint wave under raking light.","Two or three waves under raking light.","Waves seen in room light.","Waves felt by fingernail.","Waves over half the face."]},{"code":"foot","name":"First-layer bulge","weight":1.0,"structural":false,"look":"Bottom edge, all four sides.","anchors":["Edge as sharp as the others.","Bulge felt, under 0.05 mm.","Bulge up to 0.1 mm.","Bulge up to 0.2 mm.","Bulge up to 0.4 mm.","Bulge over 0.4 mm or a loose brim fused on."]},{"code":"skins","name":"Rough top skins","weight":1.0,"structural":false,"look":"Every upward face.","anchors":["Even lines, no marks.","Lines show a change of direction.","Nozzle marks on one face.","Rough on one face.","Rough on every face.","Holes or pillows through the skin."]}],"specimens":[{"id":"1412f026-2837-4737-8a37-0b8e3082168e","blind_code":"3XH","artifact":"Step block","asked":["stringing","blobs","shift","warp","gaps","ringing","foot","skins"],"scores":[{"id":"cadedd79-2ee5-4b78-80c4-f03bfea19c3a","defect":"stringing","severity":1,"corrected":false,"after_reveal":null},{"id":"893af70e-e16c-4d70-916d-a4694760a3e9","defect":"blobs","severity":1,"corrected":false,"after_reveal":null},{"id":"b1f78c8e-20f7-495c-b5d5-940521e47acc","defect":"shift","severity":1,"corrected":false,"after_reveal":null},{"id":"0b3c8f09-b0b7-46d7-ba12-bf191ba37f90","defect":"warp","severity":1,"corrected":false,"after_reveal":null},{"id":"020449db-bd88-4c87-8b3b-5fa65a43376f","defect":"gaps","severity":1,"corrected":false,"after_reveal":null},{"id":"c62c72d5-1409-45ca-949c-84f028885f02","defect":"ringing","severity":1,"corrected":false,"after_reveal":null},{"id":"fa71121a-e5c7-41f0-b019-cec3222034e3","defect":"foot","severity":1,"corrected":false,"after_reveal":null},{"id":"74264dbe-7864-49a8-98f7-527aed629973","defect":"skins","severity":1,"corrected":false,"after_reveal":null}],"locked":true,"locked_by_others":0,"quality":80.0,"rejected_by":null},{"id":"8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2","blind_code":"3E9","artifact":"Step block","asked":["stringing","blobs","shift","warp","gaps","ringing","foot","skins"],"scores":[{"id":"219cf9bb-5f64-45d5-871c-e3dfb1cb22ce","defect":"stringing","severity":1,"corrected":false,"after_reveal":null},{"id":"a7251efa-f07b-4073-a811-a082c77c46f1","defect":"blobs","severity":1,"corrected":false,"after_reveal":null},{"id":"29330839-e0d4-4b1f-a81e-06cd8d62f125","defect":"shift","severity":1,"corrected":false,"after_reveal":null},{"id":"3b1ad82a-3558-423e-80a6-50d556c6f142","defect":"warp","severity":1,"corrected":false,"after_reveal":null}],"locked":false,"locked_by_others":0,"quality":null,"rejected_by":null}],"may_reveal":false,"reveal_needs":"Still to be scored and locked: 3E9.","revealed_at":null}	2026-11-27 07:55:55.692911+00
b4969e83-8458-4864-9544-43f4cbd74f94	8d8f9b3e-08d1-4d86-9291-3681ce165478	5331efe34c148dfec9e9f34df6952a9a0f76bcada405e92983ca008433281de8	200	{"now":"2026-11-27T07:55:55.754602Z","defects":[{"code":"stringing","name":"Stringing","weight":1.0,"structural":false,"look":"Between parts that stand apart and across openings.","anchors":["No strings at arm's length or close up.","A few hairs that brush off.","Hairs on one side, gone with a heat gun.","Strings on several sides that need a knife.","Webs that hide an edge.","Webs that fill an opening or join parts that stand apart."]},{"code":"blobs","name":"Blobs and zits","weight":1.0,"structural":false,"look":"The seam and every corner.","anchors":["Smooth to the fingernail.","One or two dots felt, not seen.","Dots along the seam seen at half a metre.","A row of dots that throws a caliper off by 0.1 mm.","Blobs over 1 mm on more than one side.","Blobs that stop the part from seating."]},{"code":"shift","name":"Layer shift","weight":2.0,"structural":true,"look":"Sight down each edge against a straight line.","anchors":["Edges straight.","A step felt by nail, under 0.1 mm.","A step up to 0.2 mm.","A step up to 0.5 mm.","A step up to 1 mm.","A step over 1 mm, or more than one shift."]},{"code":"warp","name":"Warped corners","weight":1.5,"structural":true,"look":"Base on a flat plate, gauge under each corner.","anchors":["No light under any corner.","Light under one corner, 0.05 mm gauge does not enter.","Up to 0.2 mm under one corner.","Up to 0.5 mm, or two corners.","Up to 1 mm.","Over 1 mm, or the part came loose while printing."]},{"code":"gaps","name":"Gaps and thin walls","weight":2.0,"structural":true,"look":"Walls against a lamp, top skins.","anchors":["Closed everywhere.","Pinholes in one top skin.","Lines stand apart in one skin.","Lines stand apart on a wall.","Light through a wall.","Walls come apart between the fingers."]},{"code":"ringing","name":"Ringing after corners","weight":1.0,"structural":false,"look":"Raking light along the long faces.","anchors":["No echo of the corner.","One faint wave under raking light.","Two or three waves under raking light.","Waves seen in room light.","Waves felt by fingernail.","Waves over half the face."]},{"code":"foot","name":"First-layer bulge","weight":1.0,"structural":false,"look":"Bottom edge, all four sides.","anchors":["Edge as sharp as the others.","Bulge felt, under 0.05 mm.","Bulge up to 0.1 mm.","Bulge up to 0.2 mm.","Bulge up to 0.4 mm.","Bulge over 0.4 mm or a loose brim fused on."]},{"code":"skins","name":"Rough top skins","weight":1.0,"structural":false,"look":"Every upward face.","anchors":["Even lines, no marks.","Lines show a change of direction.","Nozzle marks on one face.","Rough on one face.","Rough on every face.","Holes or pillows through the skin."]}],"specimens":[{"id":"1412f026-2837-4737-8a37-0b8e3082168e","blind_code":"3XH","artifact":"Step block","asked":["stringing","blobs","shift","warp","gaps","ringing","foot","skins"],"scores":[{"id":"cadedd79-2ee5-4b78-80c4-f03bfea19c3a","defect":"stringing","severity":1,"corrected":false,"after_reveal":null},{"id":"893af70e-e16c-4d70-916d-a4694760a3e9","defect":"blobs","severity":1,"corrected":false,"after_reveal":null},{"id":"b1f78c8e-20f7-495c-b5d5-940521e47acc","defect":"shift","severity":1,"corrected":false,"after_reveal":null},{"id":"0b3c8f09-b0b7-46d7-ba12-bf191ba37f90","defect":"warp","severity":1,"corrected":false,"after_reveal":null},{"id":"020449db-bd88-4c87-8b3b-5fa65a43376f","defect":"gaps","severity":1,"corrected":false,"after_reveal":null},{"id":"c62c72d5-1409-45ca-949c-84f028885f02","defect":"ringing","severity":1,"corrected":false,"after_reveal":null},{"id":"fa71121a-e5c7-41f0-b019-cec3222034e3","defect":"foot","severity":1,"corrected":false,"after_reveal":null},{"id":"74264dbe-7864-49a8-98f7-527aed629973","defect":"skins","severity":1,"corrected":false,"after_reveal":null}],"locked":true,"locked_by_others":0,"quality":80.0,"rejected_by":null},{"id":"8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2","blind_code":"3E9","artifact":"Step block","asked":["stringing","blobs","shift","warp","gaps","ringing","foot","skins"],"scores":[{"id":"219cf9bb-5f64-45d5-871c-e3dfb1cb22ce","defect":"stringing","severity":1,"corrected":false,"after_reveal":null},{"id":"a7251efa-f07b-4073-a811-a082c77c46f1","defect":"blobs","severity":1,"corrected":false,"after_reveal":null},{"id":"29330839-e0d4-4b1f-a81e-06cd8d62f125","defect":"shift","severity":1,"corrected":false,"after_reveal":null},{"id":"3b1ad82a-3558-423e-80a6-50d556c6f142","defect":"warp","severity":1,"corrected":false,"after_reveal":null},{"id":"7ac379e6-0a6c-4b0b-bd8a-440c7cb046bc","defect":"gaps","severity":1,"corrected":false,"after_reveal":null}],"locked":false,"locked_by_others":0,"quality":null,"rejected_by":null}],"may_reveal":false,"reveal_needs":"Still to be scored and locked: 3E9.","revealed_at":null}	2026-11-27 07:55:55.734184+00
8ec6ab38-9b89-49bc-a16c-e3ffc9b68d9a	8d8f9b3e-08d1-4d86-9291-3681ce165478	98d7560a677dcb08c70bd7fa945d1ecf8e908bdc4cd0939c1abcf6cf4cc55ebc	200	{"now":"2026-11-27T07:55:55.776942Z","defects":[{"code":"stringing","name":"Stringing","weight":1.0,"structural":false,"look":"Between parts that stand apart and across openings.","anchors":["No strings at arm's length or close up.","A few hairs that brush off.","Hairs on one side, gone with a heat gun.","Strings on several sides that need a knife.","Webs that hide an edge.","Webs that fill an opening or join parts that stand apart."]},{"code":"blobs","name":"Blobs and zits","weight":1.0,"structural":false,"look":"The seam and every corner.","anchors":["Smooth to the fingernail.","One or two dots felt, not seen.","Dots along the seam seen at half a metre.","A row of dots that throws a caliper off by 0.1 mm.","Blobs over 1 mm on more than one side.","Blobs that stop the part from seating."]},{"code":"shift","name":"Layer shift","weight":2.0,"structural":true,"look":"Sight down each edge against a straight line.","anchors":["Edges straight.","A step felt by nail, under 0.1 mm.","A step up to 0.2 mm.","A step up to 0.5 mm.","A step up to 1 mm.","A step over 1 mm, or more than one shift."]},{"code":"warp","name":"Warped corners","weight":1.5,"structural":true,"look":"Base on a flat plate, gauge under each corner.","anchors":["No light under any corner.","Light under one corner, 0.05 mm gauge does not enter.","Up to 0.2 mm under one corner.","Up to 0.5 mm, or two corners.","Up to 1 mm.","Over 1 mm, or the part came loose while printing."]},{"code":"gaps","name":"Gaps and thin walls","weight":2.0,"structural":true,"look":"Walls against a lamp, top skins.","anchors":["Closed everywhere.","Pinholes in one top skin.","Lines stand apart in one skin.","Lines stand apart on a wall.","Light through a wall.","Walls come apart between the fingers."]},{"code":"ringing","name":"Ringing after corners","weight":1.0,"structural":false,"look":"Raking light along the long faces.","anchors":["No echo of the corner.","One faint wave under raking light.","Two or three waves under raking light.","Waves seen in room light.","Waves felt by fingernail.","Waves over half the face."]},{"code":"foot","name":"First-layer bulge","weight":1.0,"structural":false,"look":"Bottom edge, all four sides.","anchors":["Edge as sharp as the others.","Bulge felt, under 0.05 mm.","Bulge up to 0.1 mm.","Bulge up to 0.2 mm.","Bulge up to 0.4 mm.","Bulge over 0.4 mm or a loose brim fused on."]},{"code":"skins","name":"Rough top skins","weight":1.0,"structural":false,"look":"Every upward face.","anchors":["Even lines, no marks.","Lines show a change of direction.","Nozzle marks on one face.","Rough on one face.","Rough on every face.","Holes or pillows through the skin."]}],"specimens":[{"id":"1412f026-2837-4737-8a37-0b8e3082168e","blind_code":"3XH","artifact":"Step block","asked":["stringing","blobs","shift","warp","gaps","ringing","foot","skins"],"scores":[{"id":"cadedd79-2ee5-4b78-80c4-f03bfea19c3a","defect":"stringing","severity":1,"corrected":false,"after_reveal":null},{"id":"893af70e-e16c-4d70-916d-a4694760a3e9","defect":"blobs","severity":1,"corrected":false,"after_reveal":null},{"id":"b1f78c8e-20f7-495c-b5d5-940521e47acc","defect":"shift","severity":1,"corrected":false,"after_reveal":null},{"id":"0b3c8f09-b0b7-46d7-ba12-bf191ba37f90","defect":"warp","severity":1,"corrected":false,"after_reveal":null},{"id":"020449db-bd88-4c87-8b3b-5fa65a43376f","defect":"gaps","severity":1,"corrected":false,"after_reveal":null},{"id":"c62c72d5-1409-45ca-949c-84f028885f02","defect":"ringing","severity":1,"corrected":false,"after_reveal":null},{"id":"fa71121a-e5c7-41f0-b019-cec3222034e3","defect":"foot","severity":1,"corrected":false,"after_reveal":null},{"id":"74264dbe-7864-49a8-98f7-527aed629973","defect":"skins","severity":1,"corrected":false,"after_reveal":null}],"locked":true,"locked_by_others":0,"quality":80.0,"rejected_by":null},{"id":"8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2","blind_code":"3E9","artifact":"Step block","asked":["stringing","blobs","shift","warp","gaps","ringing","foot","skins"],"scores":[{"id":"219cf9bb-5f64-45d5-871c-e3dfb1cb22ce","defect":"stringing","severity":1,"corrected":false,"after_reveal":null},{"id":"a7251efa-f07b-4073-a811-a082c77c46f1","defect":"blobs","severity":1,"corrected":false,"after_reveal":null},{"id":"29330839-e0d4-4b1f-a81e-06cd8d62f125","defect":"shift","severity":1,"corrected":false,"after_reveal":null},{"id":"3b1ad82a-3558-423e-80a6-50d556c6f142","defect":"warp","severity":1,"corrected":false,"after_reveal":null},{"id":"7ac379e6-0a6c-4b0b-bd8a-440c7cb046bc","defect":"gaps","severity":1,"corrected":false,"after_reveal":null},{"id":"b121fdc2-7d92-4882-b17c-b9887b08bfca","defect":"ringing","severity":1,"corrected":false,"after_reveal":null}],"locked":false,"locked_by_others":0,"quality":null,"rejected_by":null}],"may_reveal":false,"reveal_needs":"Still to be scored and locked: 3E9.","revealed_at":null}	2026-11-27 07:55:55.760476+00
cd26240f-04a3-4b03-8f02-3e2f43475af5	8d8f9b3e-08d1-4d86-9291-3681ce165478	f78c9cf0d0a7811fb708b729a6443586c79bb42981de1c41d924cf20c8779875	200	{"now":"2026-11-27T07:55:55.799370Z","defects":[{"code":"stringing","name":"Stringing","weight":1.0,"structural":false,"look":"Between parts that stand apart and across openings.","anchors":["No strings at arm's length or close up.","A few hairs that brush off.","Hairs on one side, gone with a heat gun.","Strings on several sides that need a knife.","Webs that hide an edge.","Webs that fill an opening or join parts that stand apart."]},{"code":"blobs","name":"Blobs and zits","weight":1.0,"structural":false,"look":"The seam and every corner.","anchors":["Smooth to the fingernail.","One or two dots felt, not seen.","Dots along the seam seen at half a metre.","A row of dots that throws a caliper off by 0.1 mm.","Blobs over 1 mm on more than one side.","Blobs that stop the part from seating."]},{"code":"shift","name":"Layer shift","weight":2.0,"structural":true,"look":"Sight down each edge against a straight line.","anchors":["Edges straight.","A step felt by nail, under 0.1 mm.","A step up to 0.2 mm.","A step up to 0.5 mm.","A step up to 1 mm.","A step over 1 mm, or more than one shift."]},{"code":"warp","name":"Warped corners","weight":1.5,"structural":true,"look":"Base on a flat plate, gauge under each corner.","anchors":["No light under any corner.","Light under one corner, 0.05 mm gauge does not enter.","Up to 0.2 mm under one corner.","Up to 0.5 mm, or two corners.","Up to 1 mm.","Over 1 mm, or the part came loose while printing."]},{"code":"gaps","name":"Gaps and thin walls","weight":2.0,"structural":true,"look":"Walls against a lamp, top skins.","anchors":["Closed everywhere.","Pinholes in one top skin.","Lines stand apart in one skin.","Lines stand apart on a wall.","Light through a wall.","Walls come apart between the fingers."]},{"code":"ringing","name":"Ringing after corners","weight":1.0,"structural":false,"look":"Raking light along the long faces.","anchors":["No echo of the corner.","One faint wave under raking light.","Two or three waves under raking light.","Waves seen in room light.","Waves felt by fingernail.","Waves over half the face."]},{"code":"foot","name":"First-layer bulge","weight":1.0,"structural":false,"look":"Bottom edge, all four sides.","anchors":["Edge as sharp as the others.","Bulge felt, under 0.05 mm.","Bulge up to 0.1 mm.","Bulge up to 0.2 mm.","Bulge up to 0.4 mm.","Bulge over 0.4 mm or a loose brim fused on."]},{"code":"skins","name":"Rough top skins","weight":1.0,"structural":false,"look":"Every upward face.","anchors":["Even lines, no marks.","Lines show a change of direction.","Nozzle marks on one face.","Rough on one face.","Rough on every face.","Holes or pillows through the skin."]}],"specimens":[{"id":"1412f026-2837-4737-8a37-0b8e3082168e","blind_code":"3XH","artifact":"Step block","asked":["stringing","blobs","shift","warp","gaps","ringing","foot","skins"],"scores":[{"id":"cadedd79-2ee5-4b78-80c4-f03bfea19c3a","defect":"stringing","severity":1,"corrected":false,"after_reveal":null},{"id":"893af70e-e16c-4d70-916d-a4694760a3e9","defect":"blobs","severity":1,"corrected":false,"after_reveal":null},{"id":"b1f78c8e-20f7-495c-b5d5-940521e47acc","defect":"shift","severity":1,"corrected":false,"after_reveal":null},{"id":"0b3c8f09-b0b7-46d7-ba12-bf191ba37f90","defect":"warp","severity":1,"corrected":false,"after_reveal":null},{"id":"020449db-bd88-4c87-8b3b-5fa65a43376f","defect":"gaps","severity":1,"corrected":false,"after_reveal":null},{"id":"c62c72d5-1409-45ca-949c-84f028885f02","defect":"ringing","severity":1,"corrected":false,"after_reveal":null},{"id":"fa71121a-e5c7-41f0-b019-cec3222034e3","defect":"foot","severity":1,"corrected":false,"after_reveal":null},{"id":"74264dbe-7864-49a8-98f7-527aed629973","defect":"skins","severity":1,"corrected":false,"after_reveal":null}],"locked":true,"locked_by_others":0,"quality":80.0,"rejected_by":null},{"id":"8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2","blind_code":"3E9","artifact":"Step block","asked":["stringing","blobs","shift","warp","gaps","ringing","foot","skins"],"scores":[{"id":"219cf9bb-5f64-45d5-871c-e3dfb1cb22ce","defect":"stringing","severity":1,"corrected":false,"after_reveal":null},{"id":"a7251efa-f07b-4073-a811-a082c77c46f1","defect":"blobs","severity":1,"corrected":false,"after_reveal":null},{"id":"29330839-e0d4-4b1f-a81e-06cd8d62f125","defect":"shift","severity":1,"corrected":false,"after_reveal":null},{"id":"3b1ad82a-3558-423e-80a6-50d556c6f142","defect":"warp","severity":1,"corrected":false,"after_reveal":null},{"id":"7ac379e6-0a6c-4b0b-bd8a-440c7cb046bc","defect":"gaps","severity":1,"corrected":false,"after_reveal":null},{"id":"b121fdc2-7d92-4882-b17c-b9887b08bfca","defect":"ringing","severity":1,"corrected":false,"after_reveal":null},{"id":"c36894c5-eb95-48e7-b1be-b184b4765bfb","defect":"foot","severity":1,"corrected":false,"after_reveal":null}],"locked":false,"locked_by_others":0,"quality":null,"rejected_by":null}],"may_reveal":false,"reveal_needs":"Still to be scored and locked: 3E9.","revealed_at":null}	2026-11-27 07:55:55.782867+00
\.


--
-- Data for Name: configuration; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.configuration (unit_id, number, nozzle_mm, firmware, plate, profile_set, reason, opened_at, id, parts, accessories) FROM stdin;
d98f20c1-9a5a-4ed9-bd0d-c6f6adecb507	1	0.4	as delivered	as delivered	maker's stock	as delivered	2026-11-27 07:55:53.646113+00	d6767b92-5478-428a-9c7b-e5e179299ffd		
8380a138-3770-44a9-90a5-ec9018a29770	1	0.4	as delivered	as delivered	maker's stock	as delivered	2026-11-27 07:55:53.659822+00	42a01b47-7728-42fc-95dd-918e3d7849eb		
\.


--
-- Data for Name: criterion; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.criterion (scheme_id, "position", code, weight, shape, id, points) FROM stdin;
abd03a45-cb51-4bed-b20e-8c4ecfc18c3b	0	off.mean	12.5	linear	1a7e0e14-e8ac-4e6e-a1f9-3cb9ca1c2f73	[[0.2, 0], [0.02, 100]]
abd03a45-cb51-4bed-b20e-8c4ecfc18c3b	1	repeatability	12.5	linear	617524bb-7cc0-4fdf-bd61-79ac4336f9ee	[[0.08, 0], [0.01, 100]]
abd03a45-cb51-4bed-b20e-8c4ecfc18c3b	2	defects	12.5	linear	bea1b57c-7cac-4a42-8a4a-69684eb642c5	[[50, 0], [100, 100]]
abd03a45-cb51-4bed-b20e-8c4ecfc18c3b	3	success	12.5	linear	db48efb8-b09f-41ec-98fe-23d2f53fe0fc	[[0.4, 0], [1.0, 100]]
abd03a45-cb51-4bed-b20e-8c4ecfc18c3b	4	time	12.5	linear	3a4c8081-1096-4f13-8f64-c6a7cf0302f4	[[2.0, 0], [0.5, 100]]
abd03a45-cb51-4bed-b20e-8c4ecfc18c3b	5	cost	12.5	linear	ba05e94b-914c-4c93-951c-3ae3e52b2833	[[6.0, 0], [1.0, 100]]
abd03a45-cb51-4bed-b20e-8c4ecfc18c3b	6	energy	12.5	linear	6a8f7902-e6b9-4069-9f88-1073eeac3dfb	[[0.3, 0], [0.05, 100]]
abd03a45-cb51-4bed-b20e-8c4ecfc18c3b	7	noise	12.5	linear	bede4175-7857-45f9-9580-2c41b0e38562	[[65, 0], [40, 100]]
\.


--
-- Data for Name: defect_score; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.defect_score (specimen_id, defect, severity, person_id, scored_at, recorded_at, supersedes_id, reason, id, after_reveal) FROM stdin;
1412f026-2837-4737-8a37-0b8e3082168e	stringing	1	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.274303+00	2026-11-27 07:55:55.27589+00	\N	\N	cadedd79-2ee5-4b78-80c4-f03bfea19c3a	\N
1412f026-2837-4737-8a37-0b8e3082168e	blobs	1	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.305514+00	2026-11-27 07:55:55.306125+00	\N	\N	893af70e-e16c-4d70-916d-a4694760a3e9	\N
1412f026-2837-4737-8a37-0b8e3082168e	shift	1	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.327903+00	2026-11-27 07:55:55.328488+00	\N	\N	b1f78c8e-20f7-495c-b5d5-940521e47acc	\N
1412f026-2837-4737-8a37-0b8e3082168e	warp	1	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.350255+00	2026-11-27 07:55:55.35085+00	\N	\N	0b3c8f09-b0b7-46d7-ba12-bf191ba37f90	\N
1412f026-2837-4737-8a37-0b8e3082168e	gaps	1	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.372491+00	2026-11-27 07:55:55.373081+00	\N	\N	020449db-bd88-4c87-8b3b-5fa65a43376f	\N
1412f026-2837-4737-8a37-0b8e3082168e	ringing	1	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.404354+00	2026-11-27 07:55:55.405002+00	\N	\N	c62c72d5-1409-45ca-949c-84f028885f02	\N
1412f026-2837-4737-8a37-0b8e3082168e	foot	1	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.438311+00	2026-11-27 07:55:55.438897+00	\N	\N	fa71121a-e5c7-41f0-b019-cec3222034e3	\N
1412f026-2837-4737-8a37-0b8e3082168e	skins	1	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.478186+00	2026-11-27 07:55:55.478805+00	\N	\N	74264dbe-7864-49a8-98f7-527aed629973	\N
8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2	stringing	1	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.578132+00	2026-11-27 07:55:55.582416+00	\N	\N	219cf9bb-5f64-45d5-871c-e3dfb1cb22ce	\N
8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2	blobs	1	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.626189+00	2026-11-27 07:55:55.62681+00	\N	\N	a7251efa-f07b-4073-a811-a082c77c46f1	\N
8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2	shift	1	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.662566+00	2026-11-27 07:55:55.66317+00	\N	\N	29330839-e0d4-4b1f-a81e-06cd8d62f125	\N
8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2	warp	1	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.706485+00	2026-11-27 07:55:55.707096+00	\N	\N	3b1ad82a-3558-423e-80a6-50d556c6f142	\N
8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2	gaps	1	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.745264+00	2026-11-27 07:55:55.745876+00	\N	\N	7ac379e6-0a6c-4b0b-bd8a-440c7cb046bc	\N
8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2	ringing	1	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.767825+00	2026-11-27 07:55:55.768413+00	\N	\N	b121fdc2-7d92-4882-b17c-b9887b08bfca	\N
8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2	foot	1	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.790416+00	2026-11-27 07:55:55.790995+00	\N	\N	c36894c5-eb95-48e7-b1be-b184b4765bfb	\N
8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2	skins	1	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.813291+00	2026-11-27 07:55:55.813871+00	\N	\N	54d4f52f-997f-48ab-9952-d186b53baec7	\N
\.


--
-- Data for Name: deviation; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.deviation (study_id, job_id, what, reason, person_id, recorded_at, id) FROM stdin;
\.


--
-- Data for Name: device; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.device (number, name, kind, unit_id, instrument_id, token_sha256, topic, power_key, counter_key, time_key, added_at, retired_at, version, id, refused, refused_why, refused_at) FROM stdin;
\.


--
-- Data for Name: device_value; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.device_value (device, at, value) FROM stdin;
\.


--
-- Data for Name: exchange_rate; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.exchange_rate (id, base, quote, rate, "on", source, person_id, recorded_at) FROM stdin;
\.


--
-- Data for Name: feature; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.feature (artifact_id, "position", code, axis, sense, nominal, method, id, kind, unit, ends) FROM stdin;
625e67ef-8349-4d17-9f85-c04b06e38674	0	X1	X	1	40	Jaws across the left and right faces, one millimetre below the upper edge.	c7c83a12-bd45-4d99-9303-4b6a9c8874de	length	mm	[[-20.0, -19.99, 9.0], [20.0, -19.99, 9.0]]
625e67ef-8349-4d17-9f85-c04b06e38674	1	X2	X	1	30	Jaws across the left and right faces, one millimetre below the upper edge.	794b8e87-1416-4e1b-a43b-0bd42e031607	length	mm	[[-15.0, -14.99, 24.0], [15.0, -14.99, 24.0]]
625e67ef-8349-4d17-9f85-c04b06e38674	2	X3	X	1	17	Jaws across the left and right faces, one millimetre below the upper edge.	405c8f0c-440d-449c-bc7d-bd37d201ad52	length	mm	[[-8.5, -8.49, 44.0], [8.5, -8.49, 44.0]]
625e67ef-8349-4d17-9f85-c04b06e38674	3	Y1	Y	1	40	Jaws across the front and back faces, one millimetre below the upper edge.	67059ff3-3870-470a-8f0f-d692f815c510	length	mm	[[19.99, -20.0, 9.0], [19.99, 20.0, 9.0]]
625e67ef-8349-4d17-9f85-c04b06e38674	4	Y2	Y	1	30	Jaws across the front and back faces, one millimetre below the upper edge.	f5f0d9d1-f9b3-4341-ad0c-5e32424c047b	length	mm	[[14.99, -15.0, 24.0], [14.99, 15.0, 24.0]]
625e67ef-8349-4d17-9f85-c04b06e38674	5	Y3	Y	1	17	Jaws across the front and back faces, one millimetre below the upper edge.	ca2f4971-8835-4e2d-befb-eb5261d2389e	length	mm	[[8.49, -8.5, 44.0], [8.49, 8.5, 44.0]]
625e67ef-8349-4d17-9f85-c04b06e38674	6	Z1	Z	1	10	Depth rod or jaws from the base to this step.	15a3b427-9bb7-46d0-bc01-8229557c544b	length	mm	[[19.99, -19.99, 0.0], [19.99, -19.99, 10.0]]
625e67ef-8349-4d17-9f85-c04b06e38674	7	Z2	Z	1	25	Depth rod or jaws from the base to this step.	e5144343-3e2a-435c-8d2d-fcd6643a62f0	length	mm	[[14.99, -14.99, 0.0], [14.99, -14.99, 25.0]]
625e67ef-8349-4d17-9f85-c04b06e38674	8	Z3	Z	1	45	Depth rod or jaws from the base to this step.	ab725912-f6d7-456f-bf15-4b8511a3b78f	length	mm	[[8.49, -8.49, 0.0], [8.49, -8.49, 45.0]]
625e67ef-8349-4d17-9f85-c04b06e38674	9	DX	X	-1	8	Inside jaws in the hole, along X. Take the largest reading.	71728d5d-3e9b-482d-a17b-7ec74696f696	length	mm	[[-4.0, 0.0, 44.99], [4.0, 0.0, 44.99]]
625e67ef-8349-4d17-9f85-c04b06e38674	10	DY	Y	-1	8	Inside jaws in the hole, along Y. Take the largest reading.	f958e932-1de9-463e-9cc1-469ac5d01478	length	mm	[[0.0, -4.0, 44.99], [0.0, 4.0, 44.99]]
\.


--
-- Data for Name: feature_worth; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.feature_worth (name, worth, version, id, is_base, currency) FROM stdin;
\.


--
-- Data for Name: gate; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.gate (profile_id, kind, "limit", what, id, at_least) FROM stdin;
ca028171-c00f-47aa-bd55-97c829dec40b	safety	0		4bffae99-0c2d-4a65-a446-03bef9e92182	f
\.


--
-- Data for Name: hypothesis; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.hypothesis (run_id, claim, test, result, ruling, person_id, noted_at, version, id) FROM stdin;
\.


--
-- Data for Name: inspection_lock; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.inspection_lock (specimen_id, person_id, locked_at, id) FROM stdin;
1412f026-2837-4737-8a37-0b8e3082168e	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.534081+00	926f62ee-6d85-4547-8ee6-d774e31eafba
8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.836962+00	5e44d634-2927-4db8-ac37-1e19fcdef579
\.


--
-- Data for Name: instrument; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.instrument (code, kind, unit, resolution, u_calibration, repeatability, calibrated_on, version, id, certificate, valid_days) FROM stdin;
C-98a9	caliper	mm	0.01	0.01	0.01	\N	1	3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3		365
\.


--
-- Data for Name: job; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.job (study_id, unit_id, artifact_id, spool_id, copy, "position", id, second_spool_id, arm_id) FROM stdin;
98a97c5d-f934-445d-b1cb-bf57b328b59c	8380a138-3770-44a9-90a5-ec9018a29770	625e67ef-8349-4d17-9f85-c04b06e38674	8fedbf9a-eb4d-47a5-8aa2-1ff973357d3f	1	0	dfe75c65-fbc7-4e42-b2b8-c03457f5fb3f	\N	003e1fda-f0df-4de6-bae5-cf5bba272a5e
98a97c5d-f934-445d-b1cb-bf57b328b59c	d98f20c1-9a5a-4ed9-bd0d-c6f6adecb507	625e67ef-8349-4d17-9f85-c04b06e38674	8fedbf9a-eb4d-47a5-8aa2-1ff973357d3f	1	1	f4e7395c-f2c4-4bf5-9cce-6fe129b9f194	\N	003e1fda-f0df-4de6-bae5-cf5bba272a5e
\.


--
-- Data for Name: judgement; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.judgement (id, specimen_id, feature_id, takes, amount, verdict, word, person_id, judged_at, recorded_at, supersedes_id, reason, after_reveal) FROM stdin;
\.


--
-- Data for Name: log_entry; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.log_entry (unit_id, person_id, kind, at, hours, words, cost, recorded_at, supersedes_id, reason, id, currency) FROM stdin;
\.


--
-- Data for Name: model; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.model (name, bed_x_mm, bed_y_mm, height_mm, list_price, tools, enclosed, version, id, sheet, currency) FROM stdin;
Mesa	220	220	250	\N	1	f	1	0edb6d0e-c751-4d78-8f56-0b9fa0b2992a	{"board": "", "hotend": "", "motion": "", "peak_w": null, "extruder": "", "is_round": false, "bed_max_c": null, "keep_outs": [], "top_share": 1.0, "weight_kg": null, "flow_mm3_s": null, "corner_mm_s": null, "nozzle_max_c": null, "top_speed_mm_s": null, "acceleration_mm_s2": null}	EUR
Sparrow	220	220	250	\N	1	f	1	3440f1a9-50ca-4c4a-a987-500eac43412e	{"board": "", "hotend": "", "motion": "", "peak_w": null, "extruder": "", "is_round": false, "bed_max_c": null, "keep_outs": [], "top_share": 1.0, "weight_kg": null, "flow_mm3_s": null, "corner_mm_s": null, "nozzle_max_c": null, "top_speed_mm_s": null, "acceleration_mm_s2": null}	EUR
\.


--
-- Data for Name: model_feature; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.model_feature (model_id, feature_id) FROM stdin;
\.


--
-- Data for Name: noise_reading; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.noise_reading (run_id, level_db, background_db, distance_m, door_shut, instrument_id, person_id, taken_at, recorded_at, supersedes_id, reason, id, state, fan_percent, unit_id) FROM stdin;
1ceb6e32-447e-4e99-885e-2768796e2865	50	20	1	t	\N	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-20 13:00:53.917294+00	2026-11-27 07:55:54.595339+00	\N	\N	73cd7e70-2929-400c-b98c-2de27b0e3e22	printing	\N	\N
ac4d9a48-aad7-44fc-a7e5-c14e7282498e	50	20	1	t	\N	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-20 18:00:53.917294+00	2026-11-27 07:55:54.874791+00	\N	\N	39f60a5a-6ac5-45c8-ac31-232a0160b809	printing	\N	\N
\.


--
-- Data for Name: person; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.person (name, email, role, password_hash, active, created_at, version, id) FROM stdin;
Owner	owner@bench.example	owner	$argon2id$v=19$m=8,t=1,p=1$JKWc6H0JwjjS2TnNGlC+/A$k4sPwN+yxlE2fk+4fS/6zlAQ+bK1nK+mNmaEt4PUZL0	t	2026-11-27 07:55:51.250613+00	1	15affffa-9382-4e99-8b79-7b39b13441ad
Reviewer	reviewer@bench.example	reviewer	$argon2id$v=19$m=8,t=1,p=1$JKWc6H0JwjjS2TnNGlC+/A$k4sPwN+yxlE2fk+4fS/6zlAQ+bK1nK+mNmaEt4PUZL0	t	2026-11-27 07:55:51.666148+00	1	8d8f9b3e-08d1-4d86-9291-3681ce165478
Rater	rater@bench.example	rater	$argon2id$v=19$m=8,t=1,p=1$JKWc6H0JwjjS2TnNGlC+/A$k4sPwN+yxlE2fk+4fS/6zlAQ+bK1nK+mNmaEt4PUZL0	t	2026-11-27 07:55:52.063767+00	1	4acbd069-a432-42c9-8a41-3c09d949ff3e
Reader	reader@bench.example	reader	$argon2id$v=19$m=8,t=1,p=1$JKWc6H0JwjjS2TnNGlC+/A$k4sPwN+yxlE2fk+4fS/6zlAQ+bK1nK+mNmaEt4PUZL0	t	2026-11-27 07:55:52.533746+00	1	b3301d87-8e7f-4ec2-a4aa-942d207ce25f
\.


--
-- Data for Name: photo; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.photo (subject_id, sha256, width, height, caption, person_id, taken_at, id) FROM stdin;
\.


--
-- Data for Name: pin; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.pin (job_id, study_id, start_at, person_id, recorded_at, id) FROM stdin;
\.


--
-- Data for Name: power_level; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.power_level (device, step_s, at, samples, low_w, mean_w, high_w) FROM stdin;
\.


--
-- Data for Name: print_line; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.print_line (arm_id, "position", artifact_id, spool_id, second_spool_id, copies, id) FROM stdin;
003e1fda-f0df-4de6-bae5-cf5bba272a5e	0	625e67ef-8349-4d17-9f85-c04b06e38674	8fedbf9a-eb4d-47a5-8aa2-1ff973357d3f	\N	1	64ae556f-1ced-4b94-a1c1-40375a9f5edc
\.


--
-- Data for Name: printer_report; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.printer_report (device, at, phase, percent, layer, nozzle_c, bed_c, message) FROM stdin;
\.


--
-- Data for Name: procrastinate_events; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.procrastinate_events (id, job_id, type, at) FROM stdin;
\.


--
-- Data for Name: procrastinate_jobs; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.procrastinate_jobs (id, queue_name, task_name, priority, lock, queueing_lock, args, status, scheduled_at, attempts, abort_requested, worker_id) FROM stdin;
\.


--
-- Data for Name: procrastinate_periodic_defers; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.procrastinate_periodic_defers (id, task_name, defer_timestamp, job_id, periodic_id) FROM stdin;
\.


--
-- Data for Name: procrastinate_workers; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.procrastinate_workers (id, last_heartbeat) FROM stdin;
\.


--
-- Data for Name: protocol; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.protocol (study_id, number, repeats, policies, frozen_at, frozen_by, freeze_recorded_at, version, id) FROM stdin;
98a97c5d-f934-445d-b1cb-bf57b328b59c	1	1	{"drying": "dried before use", "pieces": "isolating", "material": "same spool", "unattended": "after checks", "most_attempts": 3, "counted_causes": ["machine", "profile", "unknown"]}	2026-11-18 07:55:53.730916+00	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.746497+00	3	e85504af-774c-4a93-a988-89199dc763ac
\.


--
-- Data for Name: protocol_template; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.protocol_template (name, about, content, person_id, saved_at, version, id) FROM stdin;
\.


--
-- Data for Name: reading; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.reading (specimen_id, feature_id, repeat, value, cannot_because, instrument_id, person_id, taken_at, recorded_at, supersedes_id, reason, id, after_reveal, note, part_c) FROM stdin;
1412f026-2837-4737-8a37-0b8e3082168e	c7c83a12-bd45-4d99-9303-4b6a9c8874de	1	40.12	\N	3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.118468+00	2026-11-27 07:55:55.12369+00	\N	\N	d877ce2e-6961-47ad-bb3f-4e93deeeedb0	\N	\N	\N
1412f026-2837-4737-8a37-0b8e3082168e	794b8e87-1416-4e1b-a43b-0bd42e031607	1	30.12	\N	3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.120255+00	2026-11-27 07:55:55.124521+00	\N	\N	a8bacb14-9407-4e6a-bbd0-d9b86ff02cc9	\N	\N	\N
1412f026-2837-4737-8a37-0b8e3082168e	405c8f0c-440d-449c-bc7d-bd37d201ad52	1	17.12	\N	3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.120337+00	2026-11-27 07:55:55.124715+00	\N	\N	633af709-5f7f-40df-b223-a7467e6ba62e	\N	\N	\N
1412f026-2837-4737-8a37-0b8e3082168e	67059ff3-3870-470a-8f0f-d692f815c510	1	40.12	\N	3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.120402+00	2026-11-27 07:55:55.124859+00	\N	\N	5a63424b-a7b5-469a-ad21-66f95e6f63d0	\N	\N	\N
1412f026-2837-4737-8a37-0b8e3082168e	f5f0d9d1-f9b3-4341-ad0c-5e32424c047b	1	30.12	\N	3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.120465+00	2026-11-27 07:55:55.124973+00	\N	\N	59e7b556-4a78-45c8-b04e-44e281c04193	\N	\N	\N
1412f026-2837-4737-8a37-0b8e3082168e	ca2f4971-8835-4e2d-befb-eb5261d2389e	1	17.12	\N	3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.120525+00	2026-11-27 07:55:55.125079+00	\N	\N	36ed7a7a-6c58-4cae-9cfe-4d1ada878c7c	\N	\N	\N
1412f026-2837-4737-8a37-0b8e3082168e	15a3b427-9bb7-46d0-bc01-8229557c544b	1	10.12	\N	3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.120589+00	2026-11-27 07:55:55.125205+00	\N	\N	83c5417c-a971-4456-a48e-c937a7a2e1c2	\N	\N	\N
1412f026-2837-4737-8a37-0b8e3082168e	e5144343-3e2a-435c-8d2d-fcd6643a62f0	1	25.12	\N	3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.120663+00	2026-11-27 07:55:55.125239+00	\N	\N	06a8b7fa-cb8d-4177-96cd-b9826fe217a8	\N	\N	\N
1412f026-2837-4737-8a37-0b8e3082168e	ab725912-f6d7-456f-bf15-4b8511a3b78f	1	45.12	\N	3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.120729+00	2026-11-27 07:55:55.125267+00	\N	\N	9c5a180a-79eb-495f-92be-c51d00793cf7	\N	\N	\N
1412f026-2837-4737-8a37-0b8e3082168e	71728d5d-3e9b-482d-a17b-7ec74696f696	1	8.12	\N	3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.12079+00	2026-11-27 07:55:55.125293+00	\N	\N	752a1589-cb3b-4e35-a605-45ebbd82bad8	\N	\N	\N
1412f026-2837-4737-8a37-0b8e3082168e	f958e932-1de9-463e-9cc1-469ac5d01478	1	8.12	\N	3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.120866+00	2026-11-27 07:55:55.125319+00	\N	\N	d0d261bc-f6e4-4458-ba7a-7649a62d4dd8	\N	\N	\N
8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2	c7c83a12-bd45-4d99-9303-4b6a9c8874de	1	40.05	\N	3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.190836+00	2026-11-27 07:55:55.199934+00	\N	\N	4dd846a6-be98-4d0f-9883-2976df123e8b	\N	\N	\N
8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2	794b8e87-1416-4e1b-a43b-0bd42e031607	1	30.05	\N	3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.191916+00	2026-11-27 07:55:55.20013+00	\N	\N	2224873b-f803-4c50-8a88-caf9b1c24e5e	\N	\N	\N
8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2	405c8f0c-440d-449c-bc7d-bd37d201ad52	1	17.05	\N	3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.191988+00	2026-11-27 07:55:55.200175+00	\N	\N	a50ed560-2f84-43f8-9e44-cefdaa38964e	\N	\N	\N
8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2	67059ff3-3870-470a-8f0f-d692f815c510	1	40.05	\N	3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.192051+00	2026-11-27 07:55:55.200208+00	\N	\N	195f2ce7-4ea0-451d-964f-6ff3f4295f39	\N	\N	\N
8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2	f5f0d9d1-f9b3-4341-ad0c-5e32424c047b	1	30.05	\N	3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.192112+00	2026-11-27 07:55:55.200236+00	\N	\N	4602890d-6a8d-4420-a6b3-67625ff0b27d	\N	\N	\N
8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2	ca2f4971-8835-4e2d-befb-eb5261d2389e	1	17.05	\N	3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.19217+00	2026-11-27 07:55:55.20027+00	\N	\N	9bdc3902-5025-4f0f-9acb-1ce9bab05336	\N	\N	\N
8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2	15a3b427-9bb7-46d0-bc01-8229557c544b	1	10.05	\N	3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.192228+00	2026-11-27 07:55:55.200298+00	\N	\N	a49b6c40-60cc-4ed3-b901-86397ddbab2d	\N	\N	\N
8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2	e5144343-3e2a-435c-8d2d-fcd6643a62f0	1	25.05	\N	3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.192287+00	2026-11-27 07:55:55.200322+00	\N	\N	c98a1b0a-135a-4813-ad86-7e70f682a3e7	\N	\N	\N
8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2	ab725912-f6d7-456f-bf15-4b8511a3b78f	1	45.05	\N	3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.192346+00	2026-11-27 07:55:55.200347+00	\N	\N	6736940f-e5d7-4c39-b4a0-751f69695695	\N	\N	\N
8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2	71728d5d-3e9b-482d-a17b-7ec74696f696	1	8.05	\N	3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.192406+00	2026-11-27 07:55:55.200372+00	\N	\N	029e7230-7f72-46af-8f02-0194353d962e	\N	\N	\N
8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2	f958e932-1de9-463e-9cc1-469ac5d01478	1	8.05	\N	3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.192465+00	2026-11-27 07:55:55.200397+00	\N	\N	40352ca3-83c2-4f34-a108-01d2b2e6c01d	\N	\N	\N
\.


--
-- Data for Name: rejection; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.rejection (id, specimen_id, cause, words, person_id, recorded_at, supersedes_id, reason) FROM stdin;
\.


--
-- Data for Name: report_revision; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.report_revision (study_id, profile_id, number, headline, changed, html, data, person_id, published_at, id) FROM stdin;
\.


--
-- Data for Name: run; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.run (job_id, attempt, configuration_id, sliced_file_id, unattended, changed, started_at, ended_at, outcome, cause, failed_at_percent, note, energy_kwh, energy_low_kwh, energy_high_kwh, energy_from, trace_sha256, instrument_id, person_id, version, id, failed_at_layer, uses_attempt, trace_columns, energy_u_kwh) FROM stdin;
dfe75c65-fbc7-4e42-b2b8-c03457f5fb3f	1	42a01b47-7728-42fc-95dd-918e3d7849eb	2bc388e5-803d-458c-ac6d-bc65832431a9	f		2026-11-20 12:55:53.917294+00	2026-11-20 13:55:53.917294+00	done	\N	\N		0.1	0.1	0.1	meter	\N	\N	8d8f9b3e-08d1-4d86-9291-3681ce165478	3	1ceb6e32-447e-4e99-885e-2768796e2865	\N	t	\N	0
f4e7395c-f2c4-4bf5-9cce-6fe129b9f194	1	d6767b92-5478-428a-9c7b-e5e179299ffd	2272717b-a9d6-4955-b1ff-a8d1ad0cde66	f		2026-11-20 17:55:53.917294+00	2026-11-20 18:55:53.917294+00	done	\N	\N		0.1	0.1	0.1	meter	\N	\N	8d8f9b3e-08d1-4d86-9291-3681ce165478	3	ac4d9a48-aad7-44fc-a7e5-c14e7282498e	\N	t	\N	0
\.


--
-- Data for Name: run_event; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.run_event (run_id, kind, at, note, person_id, recorded_at, supersedes_id, reason, id) FROM stdin;
ac4d9a48-aad7-44fc-a7e5-c14e7282498e	paused	2026-11-20 18:05:53.917294+00		8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.912531+00	\N	\N	7744e5f7-15b5-42b1-9920-5e1e46feba8d
ac4d9a48-aad7-44fc-a7e5-c14e7282498e	printing	2026-11-20 18:20:53.917294+00		8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.95349+00	\N	\N	8675ff41-dde5-4a3f-8d7d-5415beed1d54
\.


--
-- Data for Name: safety_check; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.safety_check (unit_id, kind, result, note, done_by, person_id, done_at, recorded_at, id) FROM stdin;
d98f20c1-9a5a-4ed9-bd0d-c6f6adecb507	mains	pass		Somebody	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-19 07:55:53.843332+00	2026-11-27 07:55:53.852084+00	3e826b99-2241-4cd9-b15e-95aa1e85efeb
d98f20c1-9a5a-4ed9-bd0d-c6f6adecb507	cables	pass		Somebody	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-19 07:55:53.843332+00	2026-11-27 07:55:53.852271+00	91c01feb-7c08-4d8d-93ae-eabe41ef7830
d98f20c1-9a5a-4ed9-bd0d-c6f6adecb507	earth	pass		An electrician	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-19 07:55:53.843332+00	2026-11-27 07:55:53.852278+00	e63b9077-fbb9-4292-be00-e4d39e885941
d98f20c1-9a5a-4ed9-bd0d-c6f6adecb507	runaway	pass		Somebody	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-19 07:55:53.843332+00	2026-11-27 07:55:53.852282+00	848ec303-e9d4-4691-b9cb-ed7084e9af83
d98f20c1-9a5a-4ed9-bd0d-c6f6adecb507	stop	pass		Somebody	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-19 07:55:53.843332+00	2026-11-27 07:55:53.852286+00	bb23393e-2114-4af9-a388-a8102f28158f
d98f20c1-9a5a-4ed9-bd0d-c6f6adecb507	screws	pass		Somebody	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-19 07:55:53.843332+00	2026-11-27 07:55:53.852289+00	cdd81665-c418-480c-9e63-c84f9a8699c8
8380a138-3770-44a9-90a5-ec9018a29770	mains	pass		Somebody	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-19 07:55:53.894564+00	2026-11-27 07:55:53.902411+00	39f19a46-9ec8-4fb6-ac31-ce33ca244d7a
8380a138-3770-44a9-90a5-ec9018a29770	cables	pass		Somebody	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-19 07:55:53.894564+00	2026-11-27 07:55:53.902456+00	27840336-78fb-40b8-8b16-17a7c97971b7
8380a138-3770-44a9-90a5-ec9018a29770	earth	pass		An electrician	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-19 07:55:53.894564+00	2026-11-27 07:55:53.902471+00	e413ccbf-b515-4067-a95c-251a4694d0d9
8380a138-3770-44a9-90a5-ec9018a29770	runaway	pass		Somebody	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-19 07:55:53.894564+00	2026-11-27 07:55:53.902475+00	746f771d-3f58-4e9f-814b-84b163ee75a8
8380a138-3770-44a9-90a5-ec9018a29770	stop	pass		Somebody	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-19 07:55:53.894564+00	2026-11-27 07:55:53.902479+00	b6aaa8da-5160-4eae-800e-8f6b9e65191b
8380a138-3770-44a9-90a5-ec9018a29770	screws	pass		Somebody	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-19 07:55:53.894564+00	2026-11-27 07:55:53.902483+00	5da738d5-2dcc-4392-9201-1c4f873d46a1
\.


--
-- Data for Name: schedule; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.schedule (study_id, number, origin, tick_s, seed, rules, slots, dryings, facts, moved, person_id, made_at, id) FROM stdin;
\.


--
-- Data for Name: scheme; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.scheme (study_id, number, created_at, person_id, id) FROM stdin;
98a97c5d-f934-445d-b1cb-bf57b328b59c	1	2026-11-27 07:55:53.100693+00	8d8f9b3e-08d1-4d86-9291-3681ce165478	abd03a45-cb51-4bed-b20e-8c4ecfc18c3b
\.


--
-- Data for Name: sign_in_attempt; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.sign_in_attempt (email, address, at, id) FROM stdin;
\.


--
-- Data for Name: sign_in_link; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.sign_in_link (person_id, token_hash, expires_at, used_at, id) FROM stdin;
\.


--
-- Data for Name: sign_in_session; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.sign_in_session (id, person_id, agent, address, by_link, began_at, seen_at, ended_at) FROM stdin;
eba6583d-d69e-44ed-ac3b-33c3ca0a1265	8d8f9b3e-08d1-4d86-9291-3681ce165478	python-httpx/0.28.1	127.0.0.1	f	2026-11-27 07:55:52.95679+00	2026-11-27 07:55:52.95679+00	\N
\.


--
-- Data for Name: sliced_file; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.sliced_file (job_id, sha256, name, facts, settings, deviations, person_id, received_at, id, motion, withdrawn_at, withdrawn_by) FROM stdin;
dfe75c65-fbc7-4e42-b2b8-c03457f5fb3f	661df75def1cee0d4877925ef9ccb489d956db91cec95ef9a6ec96f77873a992	a.gcode	{"uses": [{"tool": 0, "mass_g": 14.598453262791118, "portion": "model", "length_mm": 260.05}, {"tool": 0, "mass_g": 0.3515467372088325, "portion": "skirt and brim", "length_mm": 6.26}], "bed_c": 60.0, "lines": 1322, "tools": [{"tool": 0, "mass_g": 14.95, "length_mm": 266.3144700000014, "mass_from": "comment", "length_from": "sum of the moves, priming left out"}], "layers": 2, "mass_g": 14.95, "silent": [], "time_s": 3955.0, "partial": false, "picture": null, "skipped": {}, "nozzle_c": 220.0, "warnings": [], "generator": "SampleSlicer 2.5.0 on 2026-11-24 at 03:21:05 UTC", "time_from": "comment “estimated printing time”", "size_bytes": 37152, "time_needs": null, "layers_need": null, "tool_changes": 0}	{"wipe": "0", "notes": "", "skirts": "1", "cooling": "1", "ironing": "0", "threads": "2", "z_offset": "0", "bed_shape": "0x0,220x0,220x220,0x220", "brim_type": "outer_only", "end_gcode": "{if max_layer_z < max_print_height}G1 Z{z_offset+min(max_layer_z+2, max_print_height)} F600{endif}\\\\nG1 X5 Y210 F3600\\\\nM140 S0\\\\nM104 S0\\\\nM107\\\\nM84 X Y E\\\\n", "overhangs": "1", "brim_width": "0", "fill_angle": "45", "fuzzy_skin": "none", "perimeters": "2", "resolution": "0", "thin_walls": "1", "thumbnails": "", "wipe_tower": "0", "layer_gcode": "", "raft_layers": "0", "silent_mode": "1", "spiral_vase": "0", "start_gcode": "G90 ; use absolute coordinates\\\\nM82 ; absolute E\\\\nM104 S[first_layer_temperature]\\\\nM140 S[first_layer_bed_temperature]\\\\nM190 S[first_layer_bed_temperature]\\\\nM109 S[first_layer_temperature]\\\\nG28 ; home all\\\\nG1 Z2 F240\\\\nG1 X2 Y10 F3000\\\\nG1 Z0.28 F240\\\\nG92 E0\\\\nG1 Y140 E10 F1500 ; prime\\\\nG1 X2.3 F5000\\\\nG92 E0\\\\nG1 Y10 E10 F1200 ; prime\\\\nG92 E0\\\\n", "temperature": "215", "bridge_angle": "0", "bridge_speed": "30", "draft_shield": "disabled", "fill_density": "15%", "fill_pattern": "grid", "gcode_flavor": "sample", "infill_first": "0", "infill_speed": "80", "ironing_type": "top", "layer_height": "0.2", "post_process": "", "retract_lift": "0", "skirt_height": "1", "slicing_mode": "regular", "travel_speed": "150", "wipe_tower_x": "180", "wipe_tower_y": "140", "fan_always_on": "0", "filament_cost": "24.9", "filament_type": "PLA", "infill_anchor": "600%", "ironing_speed": "15", "max_fan_speed": "100", "min_fan_speed": "35", "printer_model": "sample", "printer_notes": "sample", "retract_speed": "35", "seam_position": "aligned", "thick_bridges": "1", "extrusion_axis": "E", "filament_notes": "\\"\\"", "gap_fill_speed": "30", "gcode_comments": "0", "infill_overlap": "25%", "min_bead_width": "85%", "raft_expansion": "1.5", "retract_length": "0.8", "skirt_distance": "6", "travel_speed_z": "0", "bed_temperature": "60", "brim_separation": "0", "deretract_speed": "0", "extruder_colour": "\\"\\"", "extruder_offset": "0x0", "extrusion_width": "0.45", "filament_colour": "#3A7BD5", "infill_extruder": "1", "ironing_spacing": "0.1", "max_print_speed": "80", "min_print_speed": "10", "nozzle_diameter": "0.4", "ooze_prevention": "0", "perimeter_speed": "45", "remaining_times": "1", "bridge_fan_speed": "100", "complete_objects": "0", "extra_perimeters": "1", "filament_density": "1.24", "filament_soluble": "0", "gap_fill_enabled": "1", "gcode_resolution": "0.0125", "interface_shells": "0", "ironing_flowrate": "15%", "max_layer_height": "0", "max_print_height": "220", "min_feature_size": "25%", "min_layer_height": "0.07", "min_skirt_length": "0", "support_material": "0", "toolchange_gcode": "", "top_fill_pattern": "monotonic", "top_solid_layers": "4", "use_volumetric_e": "0", "wipe_into_infill": "0", "wipe_tower_width": "60", "bridge_flow_ratio": "1", "filament_diameter": "1.75", "first_layer_speed": "20", "infill_anchor_max": "50", "pause_print_gcode": "M601", "print_settings_id": "sample", "thumbnails_format": "PNG", "wipe_into_objects": "0", "before_layer_gcode": "", "color_change_gcode": "M600", "duplicate_distance": "6", "end_filament_gcode": "\\"; Filament-specific end gcode \\\\n;END gcode for filament\\\\n\\"", "extra_loading_move": "-2", "filament_load_time": "0", "first_layer_height": "0.2", "machine_max_jerk_e": "4.5,4.5", "machine_max_jerk_x": "8,8", "machine_max_jerk_y": "8,8", "machine_max_jerk_z": "0.4,0.4", "perimeter_extruder": "1", "printer_technology": "FFF", "retract_lift_above": "0", "retract_lift_below": "0", "solid_infill_speed": "60", "bottom_fill_pattern": "monotonic", "bottom_solid_layers": "3", "bridge_acceleration": "600", "cooling_tube_length": "5", "gcode_label_objects": "0", "gcode_substitutions": "", "infill_acceleration": "1200", "infill_every_layers": "1", "perimeter_generator": "arachne", "printer_settings_id": "sample", "retract_before_wipe": "0%", "sampleslicer_config": "end", "wipe_tower_bridging": "10", "default_acceleration": "1000", "dont_support_bridges": "1", "extrusion_multiplier": "1", "fan_below_layer_time": "60", "filament_settings_id": "sample", "filament_unload_time": "0", "full_fan_speed_layer": "0", "fuzzy_skin_thickness": "0.3", "machine_limits_usage": "emit_to_gcode", "max_volumetric_speed": "0", "retract_layer_change": "0", "slice_closing_radius": "0.049", "start_filament_gcode": "\\"; Filament gcode\\\\n\\"", "xy_size_compensation": "0", "between_objects_gcode": "", "filament_spool_weight": "0", "fuzzy_skin_point_dist": "0.8", "raft_contact_distance": "0.1", "retract_before_travel": "2", "retract_restart_extra": "0", "small_perimeter_speed": "25", "solid_infill_extruder": "1", "support_material_auto": "1", "template_custom_gcode": "", "variable_layer_height": "1", "wall_transition_angle": "10", "wipe_tower_brim_width": "2", "wiping_volumes_matrix": "0,140,140,140,140,140,0,140,140,140,140,140,0,140,140,140,140,140,0,140,140,140,140,140,0", "clip_multipart_objects": "1", "filament_cooling_moves": "4", "filament_loading_speed": "28", "infill_extrusion_width": "0.45", "machine_max_feedrate_e": "120,80", "machine_max_feedrate_x": "200,170", "machine_max_feedrate_y": "200,170", "machine_max_feedrate_z": "12,12", "output_filename_format": "[input_filename_base].gcode", "parking_pos_retraction": "92", "perimeter_acceleration": "800", "support_material_angle": "0", "support_material_speed": "60", "support_material_style": "grid", "top_solid_infill_speed": "30", "wall_transition_length": "100%", "cooling_tube_retraction": "91.5", "first_layer_temperature": "220", "machine_min_travel_rate": "0,0", "solid_infill_below_area": "70", "top_solid_min_thickness": "0", "use_firmware_retraction": "0", "wall_distribution_count": "1", "disable_fan_first_layers": "3", "external_perimeter_speed": "30", "filament_unloading_speed": "90", "first_layer_acceleration": "500", "infill_only_where_needed": "0", "raft_first_layer_density": "90%", "support_material_pattern": "rectilinear", "support_material_spacing": "2.5", "use_relative_e_distances": "0", "wiping_volumes_extruders": "70,70,70,70,70,70,70,70,70,70", "avoid_crossing_perimeters": "0", "elefant_foot_compensation": "0", "external_perimeters_first": "0", "extruder_clearance_height": "20", "extruder_clearance_radius": "20", "filament_toolchange_delay": "0", "perimeter_extrusion_width": "0.45", "retract_length_toolchange": "10", "slowdown_below_layer_time": "5", "solid_infill_every_layers": "0", "standby_temperature_delta": "-5", "support_material_extruder": "1", "wipe_tower_rotation_angle": "0", "bottom_solid_min_thickness": "0", "machine_max_acceleration_e": "5000,2500", "machine_max_acceleration_x": "2500,1250", "machine_max_acceleration_y": "2500,1250", "machine_max_acceleration_z": "400,200", "machine_min_extruding_rate": "0,0", "raft_first_layer_expansion": "3", "support_material_threshold": "0", "top_infill_extrusion_width": "0.4", "filament_ramming_parameters": "\\"120 100 6.6 6.8 7.2 7.6 7.9 8.2 8.7 9.4 9.9 10.0| 0.05 6.6 0.45 6.8 0.95 7.8 1.45 8.3 1.95 9.7 2.45 10 2.95 7.6 3.45 7.6 3.95 7.6 4.45 7.6 4.95 7.6\\"", "first_layer_bed_temperature": "60", "first_layer_extrusion_width": "0.42", "first_layer_speed_over_raft": "30", "support_material_xy_spacing": "50%", "wipe_tower_no_sparse_layers": "0", "filament_cooling_final_speed": "3.4", "filament_loading_speed_start": "3", "physical_printer_settings_id": "", "solid_infill_extrusion_width": "0.45", "support_material_with_sheath": "1", "filament_max_volumetric_speed": "0", "high_current_on_filament_swap": "0", "filament_cooling_initial_speed": "2.2", "filament_unloading_speed_start": "100", "mmu_segmented_region_max_width": "0", "single_extruder_multi_material": "0", "ensure_vertical_shell_thickness": "0", "machine_max_acceleration_travel": "2500,1250", "support_material_closing_radius": "2", "support_material_enforce_layers": "0", "retract_restart_extra_toolchange": "0", "support_material_buildplate_only": "0", "support_material_extrusion_width": "0", "support_material_interface_speed": "100%", "wall_transition_filter_deviation": "25%", "support_material_contact_distance": "0.2", "support_material_interface_layers": "3", "external_perimeter_extrusion_width": "0.45", "first_layer_acceleration_over_raft": "0", "machine_max_acceleration_extruding": "2000,1000", "support_material_interface_pattern": "rectilinear", "support_material_interface_spacing": "0", "machine_max_acceleration_retracting": "1500,1000", "support_material_interface_extruder": "1", "support_material_synchronize_layers": "0", "avoid_crossing_perimeters_max_detour": "0", "filament_minimal_purge_on_wipe_tower": "15", "only_retract_when_crossing_perimeters": "0", "single_extruder_multi_material_priming": "1", "support_material_bottom_contact_distance": "0", "support_material_bottom_interface_layers": "-1", "support_material_interface_contact_loops": "0", "max_volumetric_extrusion_rate_slope_negative": "0", "max_volumetric_extrusion_rate_slope_positive": "0"}	[]	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:54.416408+00	2bc388e5-803d-458c-ac6d-bc65832431a9	{"on": "the file's own limits", "moves": 913, "causes": {"axes": 0.021466666666697165, "flow": 0.0, "asked": 299.9819636614825, "waits": 0.0, "corners": 13.221933429045293, "acceleration": 0.5106492810525651}, "waits_s": 0.0, "by_axes_s": 0.0, "by_flow_s": 0.0, "changes_s": [], "flow_step": 0.5, "planned_s": 313.73601303824705, "at_asked_s": 279.9639461395199, "by_layer_s": [12.9, 222.2, 78.63], "by_speed_s": [1.02, 0.0, 6.1, 213.34, 17.88, 7.64, 0.15, 0.38, 4.08, 2.33, 26.27, 31.89, 0.0, 0.1, 0.0, 0.12, 0.0, 0.0, 0.0, 0.0, 0.0, 0.2, 0.88, 0.25, 0.31, 0.0, 0.0, 0.81], "speed_step": 5.0, "speeding_s": 33.77206689872713, "by_feature_s": {"Custom": 13.82, "Perimeter": 14.13, "Skirt/Brim": 10.2, "Solid infill": 258.56, "External perimeter": 17.03}, "by_flow_step_s": [4.91, 0.17, 64.36, 160.09, 7.62, 0.32, 1.33, 10.75, 26.29, 37.89]}	\N	\N
f4e7395c-f2c4-4bf5-9cce-6fe129b9f194	661df75def1cee0d4877925ef9ccb489d956db91cec95ef9a6ec96f77873a992	a.gcode	{"uses": [{"tool": 0, "mass_g": 14.598453262791118, "portion": "model", "length_mm": 260.05}, {"tool": 0, "mass_g": 0.3515467372088325, "portion": "skirt and brim", "length_mm": 6.26}], "bed_c": 60.0, "lines": 1322, "tools": [{"tool": 0, "mass_g": 14.95, "length_mm": 266.3144700000014, "mass_from": "comment", "length_from": "sum of the moves, priming left out"}], "layers": 2, "mass_g": 14.95, "silent": [], "time_s": 3955.0, "partial": false, "picture": null, "skipped": {}, "nozzle_c": 220.0, "warnings": [], "generator": "SampleSlicer 2.5.0 on 2026-11-24 at 03:21:05 UTC", "time_from": "comment “estimated printing time”", "size_bytes": 37152, "time_needs": null, "layers_need": null, "tool_changes": 0}	{"wipe": "0", "notes": "", "skirts": "1", "cooling": "1", "ironing": "0", "threads": "2", "z_offset": "0", "bed_shape": "0x0,220x0,220x220,0x220", "brim_type": "outer_only", "end_gcode": "{if max_layer_z < max_print_height}G1 Z{z_offset+min(max_layer_z+2, max_print_height)} F600{endif}\\\\nG1 X5 Y210 F3600\\\\nM140 S0\\\\nM104 S0\\\\nM107\\\\nM84 X Y E\\\\n", "overhangs": "1", "brim_width": "0", "fill_angle": "45", "fuzzy_skin": "none", "perimeters": "2", "resolution": "0", "thin_walls": "1", "thumbnails": "", "wipe_tower": "0", "layer_gcode": "", "raft_layers": "0", "silent_mode": "1", "spiral_vase": "0", "start_gcode": "G90 ; use absolute coordinates\\\\nM82 ; absolute E\\\\nM104 S[first_layer_temperature]\\\\nM140 S[first_layer_bed_temperature]\\\\nM190 S[first_layer_bed_temperature]\\\\nM109 S[first_layer_temperature]\\\\nG28 ; home all\\\\nG1 Z2 F240\\\\nG1 X2 Y10 F3000\\\\nG1 Z0.28 F240\\\\nG92 E0\\\\nG1 Y140 E10 F1500 ; prime\\\\nG1 X2.3 F5000\\\\nG92 E0\\\\nG1 Y10 E10 F1200 ; prime\\\\nG92 E0\\\\n", "temperature": "215", "bridge_angle": "0", "bridge_speed": "30", "draft_shield": "disabled", "fill_density": "15%", "fill_pattern": "grid", "gcode_flavor": "sample", "infill_first": "0", "infill_speed": "80", "ironing_type": "top", "layer_height": "0.2", "post_process": "", "retract_lift": "0", "skirt_height": "1", "slicing_mode": "regular", "travel_speed": "150", "wipe_tower_x": "180", "wipe_tower_y": "140", "fan_always_on": "0", "filament_cost": "24.9", "filament_type": "PLA", "infill_anchor": "600%", "ironing_speed": "15", "max_fan_speed": "100", "min_fan_speed": "35", "printer_model": "sample", "printer_notes": "sample", "retract_speed": "35", "seam_position": "aligned", "thick_bridges": "1", "extrusion_axis": "E", "filament_notes": "\\"\\"", "gap_fill_speed": "30", "gcode_comments": "0", "infill_overlap": "25%", "min_bead_width": "85%", "raft_expansion": "1.5", "retract_length": "0.8", "skirt_distance": "6", "travel_speed_z": "0", "bed_temperature": "60", "brim_separation": "0", "deretract_speed": "0", "extruder_colour": "\\"\\"", "extruder_offset": "0x0", "extrusion_width": "0.45", "filament_colour": "#3A7BD5", "infill_extruder": "1", "ironing_spacing": "0.1", "max_print_speed": "80", "min_print_speed": "10", "nozzle_diameter": "0.4", "ooze_prevention": "0", "perimeter_speed": "45", "remaining_times": "1", "bridge_fan_speed": "100", "complete_objects": "0", "extra_perimeters": "1", "filament_density": "1.24", "filament_soluble": "0", "gap_fill_enabled": "1", "gcode_resolution": "0.0125", "interface_shells": "0", "ironing_flowrate": "15%", "max_layer_height": "0", "max_print_height": "220", "min_feature_size": "25%", "min_layer_height": "0.07", "min_skirt_length": "0", "support_material": "0", "toolchange_gcode": "", "top_fill_pattern": "monotonic", "top_solid_layers": "4", "use_volumetric_e": "0", "wipe_into_infill": "0", "wipe_tower_width": "60", "bridge_flow_ratio": "1", "filament_diameter": "1.75", "first_layer_speed": "20", "infill_anchor_max": "50", "pause_print_gcode": "M601", "print_settings_id": "sample", "thumbnails_format": "PNG", "wipe_into_objects": "0", "before_layer_gcode": "", "color_change_gcode": "M600", "duplicate_distance": "6", "end_filament_gcode": "\\"; Filament-specific end gcode \\\\n;END gcode for filament\\\\n\\"", "extra_loading_move": "-2", "filament_load_time": "0", "first_layer_height": "0.2", "machine_max_jerk_e": "4.5,4.5", "machine_max_jerk_x": "8,8", "machine_max_jerk_y": "8,8", "machine_max_jerk_z": "0.4,0.4", "perimeter_extruder": "1", "printer_technology": "FFF", "retract_lift_above": "0", "retract_lift_below": "0", "solid_infill_speed": "60", "bottom_fill_pattern": "monotonic", "bottom_solid_layers": "3", "bridge_acceleration": "600", "cooling_tube_length": "5", "gcode_label_objects": "0", "gcode_substitutions": "", "infill_acceleration": "1200", "infill_every_layers": "1", "perimeter_generator": "arachne", "printer_settings_id": "sample", "retract_before_wipe": "0%", "sampleslicer_config": "end", "wipe_tower_bridging": "10", "default_acceleration": "1000", "dont_support_bridges": "1", "extrusion_multiplier": "1", "fan_below_layer_time": "60", "filament_settings_id": "sample", "filament_unload_time": "0", "full_fan_speed_layer": "0", "fuzzy_skin_thickness": "0.3", "machine_limits_usage": "emit_to_gcode", "max_volumetric_speed": "0", "retract_layer_change": "0", "slice_closing_radius": "0.049", "start_filament_gcode": "\\"; Filament gcode\\\\n\\"", "xy_size_compensation": "0", "between_objects_gcode": "", "filament_spool_weight": "0", "fuzzy_skin_point_dist": "0.8", "raft_contact_distance": "0.1", "retract_before_travel": "2", "retract_restart_extra": "0", "small_perimeter_speed": "25", "solid_infill_extruder": "1", "support_material_auto": "1", "template_custom_gcode": "", "variable_layer_height": "1", "wall_transition_angle": "10", "wipe_tower_brim_width": "2", "wiping_volumes_matrix": "0,140,140,140,140,140,0,140,140,140,140,140,0,140,140,140,140,140,0,140,140,140,140,140,0", "clip_multipart_objects": "1", "filament_cooling_moves": "4", "filament_loading_speed": "28", "infill_extrusion_width": "0.45", "machine_max_feedrate_e": "120,80", "machine_max_feedrate_x": "200,170", "machine_max_feedrate_y": "200,170", "machine_max_feedrate_z": "12,12", "output_filename_format": "[input_filename_base].gcode", "parking_pos_retraction": "92", "perimeter_acceleration": "800", "support_material_angle": "0", "support_material_speed": "60", "support_material_style": "grid", "top_solid_infill_speed": "30", "wall_transition_length": "100%", "cooling_tube_retraction": "91.5", "first_layer_temperature": "220", "machine_min_travel_rate": "0,0", "solid_infill_below_area": "70", "top_solid_min_thickness": "0", "use_firmware_retraction": "0", "wall_distribution_count": "1", "disable_fan_first_layers": "3", "external_perimeter_speed": "30", "filament_unloading_speed": "90", "first_layer_acceleration": "500", "infill_only_where_needed": "0", "raft_first_layer_density": "90%", "support_material_pattern": "rectilinear", "support_material_spacing": "2.5", "use_relative_e_distances": "0", "wiping_volumes_extruders": "70,70,70,70,70,70,70,70,70,70", "avoid_crossing_perimeters": "0", "elefant_foot_compensation": "0", "external_perimeters_first": "0", "extruder_clearance_height": "20", "extruder_clearance_radius": "20", "filament_toolchange_delay": "0", "perimeter_extrusion_width": "0.45", "retract_length_toolchange": "10", "slowdown_below_layer_time": "5", "solid_infill_every_layers": "0", "standby_temperature_delta": "-5", "support_material_extruder": "1", "wipe_tower_rotation_angle": "0", "bottom_solid_min_thickness": "0", "machine_max_acceleration_e": "5000,2500", "machine_max_acceleration_x": "2500,1250", "machine_max_acceleration_y": "2500,1250", "machine_max_acceleration_z": "400,200", "machine_min_extruding_rate": "0,0", "raft_first_layer_expansion": "3", "support_material_threshold": "0", "top_infill_extrusion_width": "0.4", "filament_ramming_parameters": "\\"120 100 6.6 6.8 7.2 7.6 7.9 8.2 8.7 9.4 9.9 10.0| 0.05 6.6 0.45 6.8 0.95 7.8 1.45 8.3 1.95 9.7 2.45 10 2.95 7.6 3.45 7.6 3.95 7.6 4.45 7.6 4.95 7.6\\"", "first_layer_bed_temperature": "60", "first_layer_extrusion_width": "0.42", "first_layer_speed_over_raft": "30", "support_material_xy_spacing": "50%", "wipe_tower_no_sparse_layers": "0", "filament_cooling_final_speed": "3.4", "filament_loading_speed_start": "3", "physical_printer_settings_id": "", "solid_infill_extrusion_width": "0.45", "support_material_with_sheath": "1", "filament_max_volumetric_speed": "0", "high_current_on_filament_swap": "0", "filament_cooling_initial_speed": "2.2", "filament_unloading_speed_start": "100", "mmu_segmented_region_max_width": "0", "single_extruder_multi_material": "0", "ensure_vertical_shell_thickness": "0", "machine_max_acceleration_travel": "2500,1250", "support_material_closing_radius": "2", "support_material_enforce_layers": "0", "retract_restart_extra_toolchange": "0", "support_material_buildplate_only": "0", "support_material_extrusion_width": "0", "support_material_interface_speed": "100%", "wall_transition_filter_deviation": "25%", "support_material_contact_distance": "0.2", "support_material_interface_layers": "3", "external_perimeter_extrusion_width": "0.45", "first_layer_acceleration_over_raft": "0", "machine_max_acceleration_extruding": "2000,1000", "support_material_interface_pattern": "rectilinear", "support_material_interface_spacing": "0", "machine_max_acceleration_retracting": "1500,1000", "support_material_interface_extruder": "1", "support_material_synchronize_layers": "0", "avoid_crossing_perimeters_max_detour": "0", "filament_minimal_purge_on_wipe_tower": "15", "only_retract_when_crossing_perimeters": "0", "single_extruder_multi_material_priming": "1", "support_material_bottom_contact_distance": "0", "support_material_bottom_interface_layers": "-1", "support_material_interface_contact_loops": "0", "max_volumetric_extrusion_rate_slope_negative": "0", "max_volumetric_extrusion_rate_slope_positive": "0"}	[]	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:54.713458+00	2272717b-a9d6-4955-b1ff-a8d1ad0cde66	{"on": "the file's own limits", "moves": 913, "causes": {"axes": 0.021466666666697165, "flow": 0.0, "asked": 299.9819636614825, "waits": 0.0, "corners": 13.221933429045293, "acceleration": 0.5106492810525651}, "waits_s": 0.0, "by_axes_s": 0.0, "by_flow_s": 0.0, "changes_s": [], "flow_step": 0.5, "planned_s": 313.73601303824705, "at_asked_s": 279.9639461395199, "by_layer_s": [12.9, 222.2, 78.63], "by_speed_s": [1.02, 0.0, 6.1, 213.34, 17.88, 7.64, 0.15, 0.38, 4.08, 2.33, 26.27, 31.89, 0.0, 0.1, 0.0, 0.12, 0.0, 0.0, 0.0, 0.0, 0.0, 0.2, 0.88, 0.25, 0.31, 0.0, 0.0, 0.81], "speed_step": 5.0, "speeding_s": 33.77206689872713, "by_feature_s": {"Custom": 13.82, "Perimeter": 14.13, "Skirt/Brim": 10.2, "Solid infill": 258.56, "External perimeter": 17.03}, "by_flow_step_s": [4.91, 0.17, 64.36, 160.09, 7.62, 0.32, 1.33, 10.75, 26.29, 37.89]}	\N	\N
\.


--
-- Data for Name: specimen; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.specimen (study_id, run_id, blind_code, "position", id, bagged_at) FROM stdin;
98a97c5d-f934-445d-b1cb-bf57b328b59c	1ceb6e32-447e-4e99-885e-2768796e2865	3E9	0.9412104415104131	8eb2b0e0-7494-4d1f-abd5-ca17f478f3a2	2026-11-27 07:55:54.650711+00
98a97c5d-f934-445d-b1cb-bf57b328b59c	ac4d9a48-aad7-44fc-a7e5-c14e7282498e	3XH	0.8395533201451943	1412f026-2837-4737-8a37-0b8e3082168e	2026-11-27 07:55:54.927226+00
\.


--
-- Data for Name: spool; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.spool (code, maker, material, colour, diameter_mm, density_g_cm3, price_per_kg, dried_on, version, id, lot, empty_g, currency, priced_on) FROM stdin;
S-8fed	Wendle Works	PLA	moss	1.75	1.24	20	\N	1	8fedbf9a-eb4d-47a5-8aa2-1ff973357d3f		\N	EUR	2026-11-27
\.


--
-- Data for Name: spool_entry; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.spool_entry (spool_id, person_id, kind, value, at_c, note, at, recorded_at, id) FROM stdin;
\.


--
-- Data for Name: study; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.study (title, question, currency, seed, created_at, revealed_at, tariff_per_kwh, wage_per_h, labour_min, failed_labour_min, loss_fraction, life_h, upkeep_per_h, version, id, blind_secret) FROM stdin;
Small	Which?	EUR	5	2026-11-27 07:55:53.037364+00	\N	0.31	18	6	10	0.5	4000	0.05	2	98a97c5d-f934-445d-b1cb-bf57b328b59c	3f6503efcb2ce5eccca186d7001b31276ad2fb1bfd12b27080cf9de8b728b876
\.


--
-- Data for Name: study_unit; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.study_unit (study_id, unit_id, is_control, "position", id, not_recommended) FROM stdin;
98a97c5d-f934-445d-b1cb-bf57b328b59c	d98f20c1-9a5a-4ed9-bd0d-c6f6adecb507	f	0	c2cf713f-fc90-433b-8260-cb3da728ef53	
98a97c5d-f934-445d-b1cb-bf57b328b59c	8380a138-3770-44a9-90a5-ec9018a29770	f	1	932c0b13-d35d-4cbc-9d1b-92f78057dd81	
\.


--
-- Data for Name: unit; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.unit (model_id, mark, serial, obtained, obtained_from, received_on, version, id, disclosure, first_power_on) FROM stdin;
0edb6d0e-c751-4d78-8f56-0b9fa0b2992a	0	\N	bought	\N	\N	2	d98f20c1-9a5a-4ed9-bd0d-c6f6adecb507		\N
3440f1a9-50ca-4c4a-a987-500eac43412e	1	\N	bought	\N	\N	2	8380a138-3770-44a9-90a5-ec9018a29770		\N
\.


--
-- Data for Name: unit_measure; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.unit_measure (unit_id, configuration_id, person_id, kind, value, from_c, to_c, instrument_id, note, taken_at, recorded_at, supersedes_id, reason, id, claim_id) FROM stdin;
\.


--
-- Data for Name: unit_price; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.unit_price (id, unit_id, study_id, price_paid, upgrades, residual, day_price, day_price_on, stated_on, person_id, recorded_at, currency) FROM stdin;
0cb987b0-ab06-4d5f-84b1-2f0334d5a6f1	d98f20c1-9a5a-4ed9-bd0d-c6f6adecb507	98a97c5d-f934-445d-b1cb-bf57b328b59c	400	0	0	\N	\N	2026-11-27	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.82662+00	EUR
f8dde086-a1ae-4624-9a91-e51c991ff443	8380a138-3770-44a9-90a5-ec9018a29770	98a97c5d-f934-445d-b1cb-bf57b328b59c	400	0	0	\N	\N	2026-11-27	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:53.881271+00	EUR
\.


--
-- Data for Name: upload; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.upload (sha256, size, content, received_at) FROM stdin;
661df75def1cee0d4877925ef9ccb489d956db91cec95ef9a6ec96f77873a992	37152	\\x1f8b0800000000000003ad9d6b8f23c795a6bff7af203c58c0c6486592c95b5a3b1f3c76491e606c682d2dd6f265097615bb9be3aa62a1c8524bf2fabfeff39e4b4464b2ba2d2f56507757e5c98ccb8938b7f79cc8fc6cf276ffb07fda9df7b793d7df4fbedadd3fdeedbfba3bdcec9f26f3abe5d574727c98cca7f3d5a7b3d9a7f3c564779e4cbb5fcc67bf982e27fff3eb5fbd7af5d9447ff6df9df74f0fbbbbc9e3fee970bfe79793ae3d3d9f0e3cfffe707b7e37f9b7c9f46ab1bcbfe7f61f77d7e1e1cde1eeee63ed9c8e7787dbc93fbeef7c7cfce85d531bd59bc3d3e93cb9db7dcfdc5f1cfc9cdb5efd76dd4dbe9c4e7ebf5ada8fff633af96ab57ef5dbf97436f9c37c399d4ebeb1bfffb8e0af6b7e9a4e3e9b9cf6e7d3e47ef7dde1fef97eb2bbb9d9df89e5b0e6f4c9e4fefee7a7fdcdff9eab898e26ac0535309b4fae67f38bc7dfecf7b75a2f7b74f273dabed1a38bc9973cc5b866eafd6b1b4374dc7638f9e9979f4cbefed964f7703b79da9f9f7637e7c180263ffdfdcf86635a4efeb0b9d2a0ecef3fb286cc6b71b52ccd9fdfed27ffb57ffaebe4ee707f3897196950cbc9578c6570e7fde1c1b8600cbe3d3cbcb5a130906ff77713cd6da2c9e5105efd76365dbffaeceb6fbebcfec5af9e4fe7e3fdab2f7ab5f77cda4f76af59ffe7f37e72733c3ed19498f2eab79b39e442ba560b8bc957f3f9949f18fa572bfd401bfec3b477da17f30d8fbd3bded3ecddddab2f66933fce279fcf1750b4ae936f66d3c9e71d0c36d2f48adb9ddab34a76f11bb57eaddb6c05d8e492047ffcaa9b7caead30b83defd66297bba3b9f9cc176ff2fc004b27e7e3e41e5108c9fa712c1870e8f6703aef1e6ef6a7c99b63b3b9733c9f4d3e3fdcedeef70fe7c9db9be3ed3ed8fe9fbffce6faf7db5ffde697bffbe2fad5677ffc05d37ef5d96faeffe38bdf7c6d3f8b1557b0a90fbe5c7f7a25b6cc0613fdc36679355bc11ffedd2cd6cddde566dfbe302856faabbf1e9ece3fff77f8f7eab3fff51fbffefa37f4b6b0ee3e47207c4936abab9ea7bed92c202d27d7579bf574b930128bfbcda6bb5acd3b2ef7ebe9c6aecebae6f2fc6a3e5ff4eb20f0db6c694d4d594d7eeb974beb8e871657b3656783d7242076abd57415c4e5d572ad077d2c10175083b6baead6ebc9370c86ebcb6eb51911349eebee6addcfa65d69aedfb08f3a1f0fc4cd6ab6cc412eae365d2faa8f086adfcd67b378b4bb9af62b517d4808e814a5bdac339f753e2028b3e9bcf7e7c4a942585e75cbf5b477eeaeafd61b66a6f618d3f51226af573ece58471b89862462bf99f938633920fa88202e579bb577178b0251aaf16ab5dac4122441cc8297f36ee62be92bf24d8c46a41e46e628665dec2a8d707d3565c117a10ad982b64d7864aecb97bbb29f5e2d37b63ef66fddc31fdc955fa6696b36e5ace7bfe1c69ccdfbabc58c2d132db3fad3d9ba8bd54f62dec53232bce04f8ea910d9dbcb390ad0d7aa0c78851819ffd6ec78179e9cb06e4379a873fef1598dc5ebfac2585fce60cd56f336c4f5e926444b231329febdde5ccd167d113beb3949fd55d757892c8362e4b329b2d9232897435f6a13d32f1b20072f733b3373abf5ecaf367af4723d67b43a9d4a7ca6ecc7d93fb9a203d5a2a6962bd3f934b560735db1bd17216ab319f2a779425c4a252004ab7925ae8d0910d70b64e36ab35c4e7d33cf66e801bc04882b9ab06637454621f626c11097581734d714bf2b9eec903fb69488bd0da89f4f3795b8ee8db8e62e14188aa14fd19f2de03c6a723665a97ae9c97eb59ec76684b8b0696eaed6520d88fa2a847c066de944167285729bc1dee5225495a81b1b6d4f836823a8f345d32e0a146a3052d44587d6348769660e93736481ced17682a936746e5c4f43c245653339b5d7d8a1b2a1939ba8c74ed3165b596fa84c64932dc3b1b50dc1f92a2a1aac52a73e4067aca88bd522d942836bed24a8e2aca8ab65ce7c76b5c1af81e89c15b14f7daa91ce6da19cb510e7b3f93c0c90f67d27a6056f45ede4df382fd8bf1d0ac9a8f056d4451f8a5a7c5e743626a80c5d54f4aa3fcafa2d4d2a839f22b22ab13fa0b2724e153fa1763394723ccba6d9d8889d9fa2768b65ec67b6140c0f46c14f51975d9754b6aa6c9c9e153f4565fb572aba2b16087e8ada4ffb583e04a4c7dfb5059a4a8cd801d37e5da9bebfc45063f2a22b3a545289f8d8f61243455db2ab6342127f1bb23354d4f57219a63024da36ae182a6abfe82a55226d12b191f8ced85a30abb42c9936ea1c7e8bdacdfa64a40bb58b61efd465bf747b9a526d547154d4f5a68f1d1762edc22f4984daafd74975b936aa380a75c586cc96d79277519da3a2b2464945b44d4e5156bea990f069ae908bb6eb392924a89b7997bb0ad146d7844235f15b4fd9ad23ad2d3ecffa6865c300fe1f8d8e7485ed7f06b3914747776cd9940e6986a0f6d87d51e79b7515ca509df0c8688b554e92fdd5a5eef4255dafc359d1de5b634c8cb39bb971964509e743bb1af7cb57d41c3289fe2a392bd5e1d35e5fad3008a2ced33b31692212b1bdc2ce35ea02e7a5e83d1a8a7de67b05cdbb4923829c9aeeaa7b74b359a4d3697ac789fdc6d6ac9fe2a6958667f2484df3fae6ef67e97932a69ef8c284aa73b9e91745a3a3eb366a17e2c6a7d3aff05b8a015aa62c77ae43fa3506aa50b9d36559fc14b55fcd73e9b868be64f0d31c227668318a9d0955f053d46e5a58c18e645d5c3bc14f5197c5b649e3db907113658420aebb5430c5884bed497541ed67b3900b290702ec50e322b2528b146574832d8f3dcac2439d2f8b6eda2043a113c54f5197b3e4a3ec6cce470c1575b5c925d05e59db903b7c01d607aa9cfca28be5ab3aa7b4690804a6f8b4a941368b6432fc14713ecd70438aa32c90b639d46e5d942d8ac31e656da3dd12e1486d98fe9063e3439a6fa69bd41f12c6d0b5f2892c3ac24e548d688f3a37151d615952bbb81cfb36f6e5e93a64b63c2a393601c1e1372ade512a719429926c540bacba5571c098aa6b61f1d2c6dbf55dc42d29c82eb3f05231191a2579e882ecf20e33459dafd755934a905d0b3b27168b65868f5a58db8ad2c2fe28914532027be13e987353d4cd26e5a3186f536dc8ac1cc165ba1b21c8f6acac0ac4f97c9d028d72ed6cc43ceab435c2fe820eee4ceea5e767e9f8cb61969ee489171c665c79452918c0d58ff296bf6ac0b6362e679f197b6b6c3e9b637514b8e1c9135be1e7ce89557cdd21cda4720b899039283d53b5016db470c83b623624b1d4488f5c6342d520b10be424667bc4fb69ebe7985ae9bb42da60bec70d12db8849d3f5c611064618e340bf2fdcefed97a95fe7ec8c651dbddcbbe93c9f5b21047524f204d729d9b54d2265b5d961bf7306d11f8eddccbd24429c180a76595624668057204727680bb4773b14c473c449e0dba5cd8079a7cf9623619ff4be3d56ab79b219a71540ac76d7af09d1a33b14b0747c190aa1784620d926422b232ac574c1cd95294dd1168021a54dd9a16c535291d6758ed1c0303624029e10b6ec0e6146fdd3245e473abb95b696f983461015b2449b73a9f598023a966d192a7f2e39a94381c6be0c45966dcaeb630a8a2c3a8ffaeb6641fe113bd170717343a05037750e3090683ec782eb2a5ca98c65430c9963890d817c2ad0c7de2fa68b7caed070098cb65c77f91cba6256e7b0a087e27fce7a0f11a23f68eb55625c313f2004b4219300ea023b1a0e46c41e6748c4198e4118ef5e815d695501711f58c66c465022151e3d9aff9996bbf468deb7208629a0da90a58c014fc06878c2e969e0ec3a6823bd2267995d1f63c14b563c5869fd1c4d5042cea16ca8754449b811567ea41640e46001e3820812911d6033029e50e7667dd289015bab5385d213550e36889ad4fe670fad8a2b57d820378326216ea6b9b366b215753e6cb0f5222302687385473157199f19ecb3d484b092a1da642ab8d274ce1e20fe1aee6a590c79dbd0108e8cad79006b92b2cebe6a62f279805b62827c7ff9b5a3b962c882ba91a11b516196c5dc2c2256bd86e4b2e6a54f454fd890ea60e217e578143b75fd5022cca4cbf594fbb21e898bbc818e8d236ac78ecd807c7eb5520c9aed12c52e660556515cda0c4821ee26cd725939055f9a0bc28d321acf14e7459d2ab25e97385f5163ed1349048a8e692263f222723cd0706dc6cc45e62c08346c6aa4a3e46b01d23875b54cd6c3ea8522996c180fa6df94f09240a2b131ac0e3edc4816e5e0c9362110845d23ce2b0c47ef18154437bd29d4172aaaf4090a91e8b287d7cd78a06dd623f56efea8806e14096ef666a48fa0ae1487881bd8d4702a09b61cfcb4edc7c4ba4da10169a3be5b223b6c3c15d92ea6326725a69b0b2e28bc91eb07755e148f799a7532581202a302a0acae862442e5d12e617ba84d702a4cd57896da3a1a0f54412b2ee2f32ae28212158cc494e784782b40e9e2635bf4d410096f876e8e61461613e02d80908d078797814b60549c61a27f41787320bc042720e048943e180f5b24fd6d8155cde8207660b3437d601b5973141fa7b97d52c2a0126f3875b12e200f111f985fe9957507b9c8f00d2bac5036a70d71b34c84b6b48bf1c05bbbe6f7e5bc18ad42c575c4cf33eaa2b8a1d80c56af1aed296a158d1accc6e5570496161d625700dca6dda510c58e4d325f8c3c4e994c03e84425859051a182b63a1d122ba012b935a706d7d55e153812978c38ac8895d990b0011a1b8b76af20d389dd2c851073bf6e2c2d69a0555ff25e10e782c972aaa87bc67dd92e4a9a760578e1970c878408b1d99c3ac3e819b527b900da57da65e1ba692c1cb41970474b236d32daadb4ba511cdaf5005964c7467dc22b85c65001b2e2d91ede28e84bc708771fe8281289ac87a0c486b62ee9c45c52e49d4805574c0161c9e515aa224c46242a81a673a15f3bc09ced0adbc03b4a1a46a8a5a14d108a22771918ca0846a6016f941e246b28cd3025cc35b32182cb8c8ace2f8606b0c3c34503b14566dfb800f50a7f9b69db3d21793de2b86a860ead038b2ccd02597bb3ca915c2ff061003faa45e83373a2dc9d9151fb19f3b32c3121212846dd202d3e269444a3da174a92a02c9c461e92f440612734d262a9283342679b3b0cc8d894305cc896f545c83c05e21cc16937322a37f2a4ca5334b35e9b418f4d2bd3df2c18b4e502c7c506d0a1a92b4460f6d0c056f90c0b39c85d11383c0903e714c15b9e16f22c3da09e34a130b4dc310803da25760c56498bd9d040041b4c23f183b5fcf70519b4259a3c94165ad5b34eaceb527963c804459defb70e3def77f6ca49d7592e052fe2ab380d53dcb88ba2915e68a06d054196f452c8b214a25f9011c242cb790bd491ea1315f823d88e07a0a4478610528babd05f7ead252dc944fa7882e44fab499221a96ba323eb916005324e20fab40e77a6762dd326704f64545fac75695913be5e62b9c90064d5810fc819653483cb1dbc137b6d75c5707101036629b124070e4dec20d04164721625f31b2d6b9d455b635886bdfafe301a9bb6f6ba344c975e2d09b624c7cf96afeec1c277247a4eb00464aa96cad6512225d21d06bb1819653960b2effeeb25611ae37551ce0570a9311ac175cda2cc7da323724e5d535a51878cfbe2a0217eb19371d9879c7081bf5ee2d5b37d869c70456134c28b74095c2159b3d82ac8b89cc54b8168e8a8aa12b88ed1a91c42f339c0096ee1e4058ee1609aae1245238209f72a592055eacf1113a6e36c5a37f2a3f283af97f8ca5d419fa5810c2f17bc84a2101567be593519499189ef9dbcccb08e7eb5098985b4622be1b22bc29d215ea847e6bafe521a9d4573c3c1a6c0adfd6861c408f5736c8284279bdd720418c411ba37c3435d783e76b12e38173e2876c097c7743fb038caa226353cd32b1c55d64a70fc2ae33f9e25c71e4b2b0d07b5cb752f661879ea0ca02606788148c063c47e56e00b9a3513a9a55734a14cf1a604e7509db6962230a830d7aff4291cc54b71289319fb2238544a10ab1a87c443d84f023e395db6f2f2ba618b62bc425d7aa656193e7b768dd7308a184028316bc269f04633c42b4392ac69cb309745ba9096aab6d95862c610970d8994d2eb5cfe88a89d821fa8141e8de22679e74a00d33eba74e476a996881141232eafcd826979b36bb99fa037c01b4d6e5f48962596a54da182978ebd3dfc434117cab8a42f90e8ad706620352326ff48b964ee05b752242c6149cea3af3d1faddb9c0a329af3f4d6acb8452c222c584d8b27ede36889ccb442175e962214408f6a3fad087783bd9a7ed4044ca5dd455e63228287cebbd234d41e4e2424e05c1f50570043a5e94e58b5552a0851d7be21b1900363b53db5afa840e20a19f59fabe75ba5b6adc4cfaaec71df652db55368579c4fc3e4bd944128331a01743a7b1634ee54bc69a7ae579851739916d56522e89490d45ec0d0001f73842e5f03aa60f5e28bb2fdbd978d606271614d7d517555154e18d9d2c290c9fc66db0c1c9550db260c86b1296bae4d065480f9c68f15c2634d5b2655d827d14ed87a74af2da9c8965516148f9cbbcb45ad6ab1945286511162a944ee5c511454d1733c9e6614a03ac08e19fbb912ae6384ba04b5884148b9c718b1ae34adb23b95148d2c05d729b924077151d629354f83de4366fd95717aa1806e6027d2347a10a48cc06c39b2ef1e77590eb3e4263ccc2af3d156a0ce21c4c423bb96a854e3c04a7b9c87d2c46d1d913cb4442b4e818553517b28599a041623ae4ee8c2a3d796a8729bb280438fc4a35a038c97b13cc103a1ea8aa445ebe72c4e918014159eb5e46ce81da0b0cdb4a81645eecd1085932939d8b860ea60ad68c7b40ef52943a28307ae73d8aa211a8e16d49da322984de23281510ca824e3068e1f5979f73fa4dc29601c0dc9811223925e4a79653b58063566aa6205bc87446a1d8f1950f11806aea8207dc13312130439a0bdc26907858c48d150b6eb28502b252a3e48aa634f032ac8de68ae0e4509fd24ac8aec5ce9d501302396f45c005eb559223d24a9567f08711b50d18e231e3aea2688139d1c1067e9143561c52c10096daa73219cafb40b56027e526ade1c681c5047918d457096c3235746967fe0928b28df4bd5352c8bede3259abc5ac1b66bb9610422d5045ab545acbca5fed240963939c87a8dfb4815df786d1dda35e226510c7916c2726bbb161b95fa46c38f074425575d8639b710ae48e9df9065c1a004c791606e68e6c54324e24b1319f075ed81789310a942fdc2cc0754e29d114f1d4217f6095230165e83ed8d8684e5e6319cbeb6aae2a352f518b9810195807aa012225320e093f475e44272a2f23e845e8a88b796b6c4131255f932064340b236d16c582c6e0711e464b89b15c9088144e56245873acaca03e57e2bf42e909e025ab35fd9ac5c621ca3826a28db33a02ec9250c67eac99f6baaed49122432e701be15e028d52b55d594f00d0c10b78010d5fa3eaf32cb0141c55d1eaa0a5ab58a15205c2a63c2052ccc555d97c6a33c7181b23d93569bd5c19b0c173c7337a0cd29ce1cced23279d7e0b7545d84ae2d3d2ad0d4702012a1e4822959d8ce04188e20b222fa4a55d64ea1ce3643a06216a9cb6b8e1c2c08f806d6102458b952a3810364d86fd9d1daaac017b4602ca767632b5598316b379ca867670528a39b06700d090947dc445b93378f663d035c9bc5eb6023e7882cfb3c2032f16197968cbeeeb09725635678ebd96f2302d4256f3ddf5d5bc5f3a0842bbbf414fb804a45e1b04fcfb80bc326073a1a0fd730f522f5d4c3c52c95d4af6d2e0c118808184c5d5504a543113bd24c831eb113aa2ab886489d6c427e21271055c66044aad663ac5eb8d0368ba94eb3e9951203e2828aea619f5e3971bd501c9c05a9c9da28d5302202e80f7a6d466d55a532a0324ec43c586569c8260f2ef17086ce431487a855f44c1499972ebd1ac588782cc176af3fa9cd023ce0e8050fbcde6540a4426cb82fb1575687a9e4c0022c7ac8032fb8f1bc8240806299e23eafb6697b40c0b37b2fef6989806ce3eebddc473d2088e3297b7991111768531f9b5714d566a5e5b25e1f185e054c032221fd88cd5ed174bd60ea244b861b18ec42155446a468cdbbc40f340c33170f3f8eb58b3dea355a03e2a61b6f26afd952abc459437c0e0e5a8d988844a001d081e1aa2cac6d96aab2141a2f421b1055e9355c3caf4a53b3aaf21e2dbb97c089483d71086a94bdb5cd129746ac0b9184fda04f15d394666d1ba0712cad40ab443883d3359f5d9ee45b5c9ee42b476efcc424b1a99f413cefef39b0bb3b3f3fd97146f52008e8854338c88b9029a1f2faf783d8e1a61cf57be95015d5f371a88a5de9a7fd2cc68cbc93615f0208dba4a211f32ec3ea14091737b4ac8e0dafdc278f3071d776ecda11ec450eb4e0cad6f355d6dc0aafb63447cc66b3d5bf6ddd7b9de0870e5be98e9c9930c46c8550b00327aa451f46b4435532e460e69c802cdad2fa2f445569e05614a12aa3536a4045df1cd5baa81dd5bc23b3a3caee9885bce0155eb08d430122503378dd250ad01ebbc274fc736b6eb880ce7d1a27ac623b8a58a978b36357257928773a0f3228dcd2d1c3121d127558f0a20a5a8596f891e5e48c1504455e51e61a0dde1cc872ef8ae0c51041c4be543ee3aca1cc9da81c95ce5cd55a30d4858d942ca11df3027f4f88d7caec9dc63d3a7005801a33c4c7cbba7feeb71357f31207a13f0d35c34fa70e521039f5d00de2ec989aca85016445e54c4c6dd88ece250f45c56824c828451fc8f142d2a39ad652b56545ee81f05a15379cc6bdca185866280e527931297e6da9ff93168fd27ef2c046c5b2560052f89779d3e2848c7aa9f2119c1c4ffa0108d57756809092003de8fc129502a09a65061970aa1826ea3273cc2602f1a869608828e00acde1c3c4a39e85d001ac4c12a1414d8d0811f593341dc99e9a2ad5790ba38a5f56c49bed2abcf7898a595ec39b40ab22630b3555e8e3c748f08a239ab3ad1738781cbbc0552d470d6410f5a4314b0f025837b5f77e5e4cc7523cdd522b0495454eaa05cef23c4bf5a91d918c3352966f14c4530f389025f401c34c2732d39aa0936c7a32c60785752de0a6cacf4da254e165446a769a2ca7058a3a3fe5470a75caa9a6e82c66436cd60647a3966a498f0ba8e74f0d45c7c0a4a64b093551e548ac510b481e22ea426ee35d51d9d296fcbb8c1b46ac00bec45e3a31198ac38a8955225c4ea6287be9a2ec9c16959a9d70ba95920b8564192b95590398176a3958154f6e88585e3c5715451a4a02fc73f665a055ede4a04e10f81cfb2e6bd0d83b59254205a988809e390b25040c601777641255999fc94fed493f7d23be3a637158b2f65e8732fd241ddad318007a9ee8b301fe71542e0ec381ede6413a898939753a48e715f11c246e8e6e52b8ec544a188d3a2f670824805e4f20e4c3668bf79a81a424d78fca11772955a8534c0d51096757b0de6b8f235514b7c18476acca406b30bf266d47dac425b1f3c31fe4b68a16d421d248e7026f1875a54a3ab77938a5a15d2d1480584ed728f995e20fb09b4e4f41cd482a845691082bedc9e62dd4992789a57add5fc21c5ce4679c5da252895ba1a93868e4ec12b5aa0ee9843c3725545b205be2e97ed227a8565ca78c44a92710ae9cc7b5141b43551d56c18940237dc4e297a818ffaa60cb992b9f0e09bf9227c187cf43626298a89d3c1d07a0d8809e06634bfa113288e590a370fd487e8a63a212fe35d5203e5ba5ce6c4264728b1c030fe7b12a3b7768678d9a34bef27dd524ab128cc378312a3c953ca86749570f019ba35351ad207e8a58acaa4a49dc13d2c129a351dd5861283bf262fbdfb9482957536d234975d991d5f5a346f5bcae1f06155ae244745712f320b0ceafaaa04df25d0a9e43525dda7d8f0b68496de892ea9a42394e258e4a1e3224d5a840f8a2828c3689aa4d1e2e8d6362007de55c9bdba0d06dc645e08882554990a3a6cb9c67a8eb72bc55a5eba917753ed1a83a20f4e2d9aa6846077b6b5423a84027825fc88d092135789712f08fbd8cc0de67e2efb7f9c0f92acaf27d113eef5625664094d4388ea2dc23d432a217e1840a5b223c0d2288610d27fcdc29c3d25d7278e179094482a84c8679c39c36ce64a35f6bfa443b66a699b8bd64c7ad4f79ae85e883e449bf0b2282d6d4ad17ea5c75be3a895fce63f3882ed65ef1e66ad588e1ed232ae9b18bb9fa6de63d31e6f164013fe38439e599c90abfd8f60b7a5ace26e9d508232a07302efaf5dbcc7c61fbc6fd2abf6556b3a734aaa67475b1f66b9052a99dc53026021de75d71506ad96d30d2ef329d81b738ee56a7a59c8abb99ddfac5b6db35f8423c2a0d1f3853f4aa53d0b51623baf5db08bd295c6e0ae783aada02a79202494ef9c5da2db6104026ba55041331bd750b9164f045b77e9bde86332bb99d900b1a0696546657efca49b4342fd66e55a656d336288d4cbf59bf2a8faf67fc7233eb6c8157e88066961c7543352846fe52716b54e3d54c16f01d9823ed35de64bbee78e04da14369d6ee224fbda1e476bcb24acc5a959ebd8f244330bf58e72af0bd1429838b1794d0e60a95ca9f5a9fef8b17b7e94530a025b5baa7502d6a849ad96d3de1a7ab5343d15107ac11ce09d07fc230d62d544e58d692a268d86fb30a1efceed146568e41c8b3952e96333b7eb1f62bb099c3a7d12f2c4f90d8fa855acece151efb4d76562ac1f79c86c57ed4f1f969a92661ab6b8db2d07b73ea2123bca82ca471e5089952998bf5f3fb44066a698e6b0637b4ff83bc262955dd473380c9681c953523ab11789f6973efdba294b1ca903f2eabed6f52694e7345d7f28982cc0fb57249579baee5b7b3543132c519ad70cbad1f940346e37e9fea6f00f3cb59dab21c02f99d4cc964a9def1ab4ddf00d39c736e92ab66da0b57942e9f37057ad1b7604ab9facaf3e3d08fb798630946e6bf26c59a8535ce53763e5aad867ef8716ddf121b4e6d8f1a97ab6cef109173746195e4db39ad2faf5eb26bcd9c54921640a9bd026620526803bce72ce22b0ad16f536500d4e23224b3157a1bb424e5d6ba6fbada580776284b593d437bbd5b61b64e472d97cd21b178d5055099bd414db113c1e8981fa0f4e69ddbfb1f8a8bed579bc695752dd5940a4c071e001915b0d3e69869f4edf75dcf7596b6140854aea81e32c8c0211973f8d5a66fd55402ce8407afc2b156ec7147b83fd9521bf7fbae75741ca77bacc7389b695808e415efbfa949585d6dfa662b105426cf89eaac44383738698c0da1d60553fd3e25eca7d47bbe40b60a556b05072726a6746bdb38a9f78ee306d9b7828656ee45c6445e34eef7e93013e9d184bb2a5b1499cb23f0d7d5d404a9ae362e81d24f84da3134616e6332ad8f75a94e4559d1808afa0a3658fba6f4c5dc026c3b99db9a29d5d5a66f8a3d4a41b7956a6552c81d129d892a0707dac6759f9d6c42b247e69294ab05925009b44abed4a1dd5c4d92c640759987d5da8da9e080970deb36657f5155a3c5203d6a27c995fc4d6fc5af355e10fe3181a4319a8c290eed90888b54aa524361c46d9610c20bab25ce26755091064f17e1e2d6626e823f79152a15d2a088f7e7cdfb6b1c811570885488880b552ba0ed48b4601844c5c954bf8c9c42aadfa91481aa136de059434d03950de35482d4da34d59fde34ef4782ac4301f96a3bd97db20d90050e592658356679f4c0c896d4d6f10295248b4c49d778603ada23bf506fc244658f0666a5894e057e4f3baa22d2c4ac642875f40945d0b0c4de0a63498320537950b9edaf0551de28a844d7236344e6d6504ace3ca9bc6d3c2e9586694e50d7255a9427e4af52d1a975f1936a08de6d53f032afadb0b7a678d3ac58aa3701ec3e6a593f6f9b4c487360cf771029183b9444b85be391dc7c8ad79545d5bb46da93eb71044def35d342616789b16b119c9d1bf5c48d462d048177c08c9642ef0ad2791930023ce431438496ebd406d47a9e56b895bf34903837c80035c9101d7b083c9423a3f6306fadb9d803baaaa6f526ae697102115585c1a4ea920a70d6f88094ef78c7733bf0a4f790e2051617d1d149194b45d82253ac519142ce1e8a1c076d45d64bcf82232c4c9c05f4ae75c09413eb854a4cd60c0c2a55c7d5fbd4bb68ace9b56a6f7918a7a3490f511ce464ea1f9dac08cfd2aceb92661570c0c181a6179d99df149f495589232ae5128d1b9a9d186f88ac2819c8112a3b1438bd65494406d6aa3080bd85aef05d39613ca3983c4e651cf875d6e82d16bca42ad84e858c273ba448b497949ba8c93e5c4f07aaf5420dad8ac8258f6215b9719212c4ddc9085f2d4f67cf3603d3f988e2fee204d9d195326ca814a6d4975b396a42cf2aecd6d9246ae3caabe80853e318a21d6353f495b521a664e208a35530884a40900c415c2347ef0cb1431319ec23aef1329442e49509598b851ec837d1498a7442897d04ac393eb984b4ebfa4b996861dc512e2f28e283d507f90ee10aa885a96af11edee895051f6e4e06446a0deb3a3bba9f6e9e8a9212cf31631243b2170d0910c7e37023eb86a8455d4038b3b6d44dc58048345c33489e9395dd918f8540a0edc24922b961f1a886245eaab68e24a877ea4666007e80c247a194db8101116f397d33d9903851e1e28cc5a1943a7a454725d54ec3c9e32ca5762acf8adc29c57946e5fc6e9451c8beb4bdead5a959831d26a00e0922f9bb9a16c02ef854515a022138145e737bbce2d9893ac224e2c60ec3a9b8619dc50d3ada2a43d282153218c112b70403222569b5ff485aa8081c4b85b66467a443a9970a465a98ca7fa396231894f478a6349d3e9d10cc53b321b92d91f2ad9a949005b14c896c0a6004d981b24a6e04bc8455ea1e2aaf732b152b123eda758b625804117f29b90daa2b7d472aea3b17b21a1e984026c3900a90a6261fedd97ea1085e34a2f74795fac5d2b64c869d36525acf77a51b36c6e5aade708a0253857db09665318453b04f9bc4b14f58d0475079a343a9622c2dcb4ce8652c24df2ffacdd763aaeeb784f23adc1eaeaacc84bfc8a5bce53614bbb98c52f54666654a195f74ec66420806004eadb20baa0edf05955330353b24536d4d9b73a517fe206b353dc4cbae8deca47a24cc947a7aa2b6862a126e8a65a35b3711066d506d305e0557e446cd30c40c95550598a7296e28b39b7ac5df241099574bb688ccd98a9afbb7b76398bb68e97dc8886aa90d8e71b99510f2410942aaa5b23b94720e2af63fadb45f2de64ed007887b825ce5753b6676f432197274e335f20274900beaed0312ac7b527886800b7dfa40b85dd11f3900bfa10c406f84e0558669ab69345edf612310b5a9c48e79fb4d3ac180671319993202f018549e513127e525507eb5766ba7478bf3a523be432ae7c24b6998774bc3ba49e00390cb580dc0ab95606c51297aad50b5aed66e952ea48e34dc1e124bf17a239fad3c937cc9419d90df75adf70472a26da47e54ae6dc7397440bca6b4fd6ae9572709409932d051f9f7886a99a2e24c7a91591d823f20fc81f475a9a40cbed84b909c88cdc8e0c1afd61128cbc9a9c7822e5b115a7a5d9c1d2074186f61444a77a9ca9fa4e35839ea709280589d0148dda86a7a5dac0d63c271e76a6d97bd83b9742b035f5ea0909223e563270ff4061e5a1cf142156b412defb3b132b6b661c23f6c778d2a549b51bb854a5662bcbfb050aae000d0202b9bfe54191476443eb9a87a355ef0d1afd69615a1d5b7cae141291c2ed385cae1f7f184fc2e2b4be72500236997e9d10b40a8e5a01223f968174bbbaa11677b65f90759c9210d13329eabeeb16a6d6a4a46c64765234ab74225722f02ec576b9f2a6daee5475ee737a0220da3b964352068066845d6122787eddded8175e0e3d70840576bcb043dc25c8b2387e00ca954df8d1c087b79835ad65b3db298ad089794bcf056a8aadfaf0ea4aed67e41c8c818e4a85432dd483090003aa2966bbb64aaa832f0044e9d8ce547c509c25a7996cc7c9a1ebf58bbd549508c694c17afb00d1f853550143c5a5cbd3544de83a10954d20ce5479555825945c54054fc58576b18a6d7e8d5820a31bd8d2df526bd0bc9a465dd25b480c300814c5736eb4d2041e5059f395fbfdaa2057ad15945962d4a6ab0845aa2d7b6acbb8415500e56ebd76311c845998faf03baa5968c371c5af96469194126d794a302c88df73779fc07b53943180dfb4d420280e1c75b5d87b11c26a028a6448e7eb5f62a4f9c177416c0182330a432e0f1eaead5dd6ad95e9254dfac1283527da913417b2a121da5df3e1be59f8aba002a8e37071622199171a776939e5c520e36162f8c9b5c7b51390d96a54c7e75804750661a0d1331b7065f70046f2f1e360cfcac9b0427f0c2f7c855e4aa8308938173226599a153fd62db274154bab168eed6daf3246ed948cfd3ac6ed21b5978f1cfc801d6d91c41a222820bd7033bf1ae59672009e25260c11316de36e80668693d4c678b1637e9496c703d27ec445c4fc19d2202c1c53cfd626dd654580dd5f97948cc773f17eec16fc1a4a01e04be4387426faf1290291a5533e1f4fac5b6470199b1eb89dd159496595af05d3f05e313f19bd42c907f18ab321ee53e1c8521ff98bbcf2fd666f1e579f740982b7c9278a99eb31d2081ea8161704040ae9bec1532cbac3a2a7d2afd26f98508a8504ef0e45b9cb25912c7f9d61e2c62bc59ab10298119b1cf6f52b3b88079aa2b8c1c81345eaf1339fe1d53f18bed3ca9c58999e820c488b6c2854d9dae0a62bd855a2f5b711c4a152b0d0e659f8a8bcf65f195addbc99fdefe85afdb098c59b6b49b239f93d357efb0269ff10daf33dfc7fbd883a33b868fef4fe7c3bd7da68fef8a3d9cf5e1342eec273f7d383eddd3f03d9fedfa9946f16eb2bc9f2c97277d95ef43cf9c0e77fad657f3cc9a67e6277dcaef649f003cd92700b73747bec1f796665fefdf1e1ea0eebe3d1e6eb7374fc7d389216c9b0ff931d18fd1b77cfe6e7bbb3f1f9f9fc4136e7dbdbfdd9edeed1ef7fafdbbe927bccd3efee6a74fa6dfe9b36c7e577300897bf96e9b2ef321b3fdd63ed6b7b56f9641b1ebe7f7fbfdc3f6f8fabff637e7d380743cf3fdb8adbe29b87ddc9df5c1429eb93f3e1ccfc787c38d1ef63becab82def4893bba31854fd86dcfef0e377f7dd89f74838de7e970fb76bf1d7c6a4f436d690f6fef6caef5f637bb87ede9511fbd63e1da7bdfdc1ddf6fed1381a2d407f2e62e1a61b0fbc79d7f4bb0367dbf3d7f6f6c3df275bca7edf1e1ee7b6fe27e5b3ec5c8859bbbc3e3f6fef9ee7ca08973b22c3abc39de1d59ff77bb07a6950cfead4fe8e6a82d72de378ff86518c7bef411c76fdbf3f36bd669fff0d63e0129011950e223843e7e491d37dceedfec18d6989bf68d2b51e399c23abb7a38ed5edfedb762a97dc871b880b7c787f3f6f4fcf87864a6be585a3a0d94af29be81f6eeb0bfd33a4443b7a23c3f220608dd36bf9fa7ed27c1ba638434f8e6783c23231c8f7b38b56bb07fb8d53eb32fea15e6fda47e65ef53d6f1e6f0e67033e14effe4dee4cf0f9f5dffeed7f18bbed2970dfcf9e127ea92267319fe7678a3af49c6eeff61f2dfed37d30bdb77fbc3db77e7bf13ebfef16f3f6c8f6fde7082ef5fd9b13f6d1ef8d739df571c3df1b3bf4f3e6775ff463f87377ffff38382658c13efb7f7c2d33f3ff8e713ed079d0ff41fd6fccd418f3f4cbe995cff590a024e704e70fbedfee90cebeee0eb1e791b8b4b7e2fb42a906df9e266dda3d847b5189f2b6bee1d88c125fde43b2004420defb677c79dbe36b9bd3f7e2bc9f8942f19da372877431da60de19fa694f6bbdb235b7c3631b8ca73a6935eb8e189d69fb5a346372045a6f07e626b980dfbb2b8decbebfa52ea964f84aa11beb658bf401a227a77e0b3a4be633fc82a6dfeddddfbddf727843ea6af6baff7d227ae2ccd6a84162d7b54d26ee3fc97ee97eb7fff756bc6d8df26d6f0940fbc1699c30967244d037e135ff73c1f9adb88105eba4daba0898edab035a348a76f9fb9654b1dcedf6bee389003ca010943c31989d75134e3d172e754c5e232d0dc07b985009f3e44ddf2cdcc278d4816a03420c1f996ef8ed2f3d3e166a083ea3dfac8295c787c7e427bb2aeef0f8ffbedf9f8dec73a1829e6c758613ba4b4f0b4bb476831b06cc0f89e2eb7e873b068c109be2a7f36139c66feacf8d34ff057f9b39ee006f1a7e7beabe9ffc1f9a09447b7eb80be3d23b0920736b08c2bf8e6fcc015c0443ef8cb15045ee580d62e8b9c3fc415e5598c2467473f0c46cda6966772daf255de7f0b4fa29d95bed78a92ce9d991af2f4c816dbbe37cd35a69d218515baddb3832fe86ee9befccf5fb61d3d3f7c70033849bccd2dd00f36c8885e3681db67f31eb0893609534f76a5d9a3cbff9617ab93f1168363578b5d1adb36fbf8e9076fd8222e4ff8036f2a7b6a4b1ff090dace5e54182e98b51db71ce26fc86c251561190fd20883d19967d2363b74dedca97bf30ccf8af3e38a2917f6f9871fbedf9efe7a90fe7a383eecedf6bcb67d3ccac8c91cdb404d782b756066ae24b66f778feef1ed1fe41e98a3d55e1e5812b3afb2e7b2dbe9d9f9c5377778be1aa3bbc76ac2aedfedd0ad233fc8294f7bfb3a713866aa87d66e71dae9f935aef9d9a8ea07c23b98bfbd797e7a92cb80c6289ae0f47ef718bcf10f5d5fb845768424be6fcddebc796703c5666b27e63376594e38a46573ff9e9df57df595c49c7824ad55b0acbd6ab6aafdaa777daab5bcf188fccfedfb77b86ddb07b68b2d423302eded3b9be3dc64279eca95d9f8ada8f9373b2cb1f913b93687273c77f338ed26ff8db53abed747a44dd55a8b41383dee6ee2f62b9b68b91e2eb856282f860bcda7c3b9781167f88591c8dcef6ede1d1ed814f621ecedf369f75683d8f31bcadfdd371acbdb6449da8061ab9bf599e84ff4f5ee8fde583e9e2d878307c235fe60cbe965bb774eebfff089f822b7164577f3f7c706a45df5a36e94fefe5137fe20fd2a565c70223f806eecc2227e623ba49d7ab9c386a5e1af3f788b0de8e3b76828b3393c1875a38f9edb2040063fe1cf4b648d60f389d4543b407b523d7f80a41e31d89ff0a77d92b8b37c365dd1a119d24f065353686adf521fd3bfabfa56d309ae660c5137b2f5370c26c42153db953010ce9147548d8d86b83ddd1df17d1ef66f0990ccf5ce961a27eac5471e8fb87d1f7c244760ad31ebd77b1cbe54491b137b5d6e236c8a4ce3e2de5e66b23d1d7ed0805cede8ee0ba9d6c7e78de2c1558dd5e332768a78b244b73698fb6782f2b7322198c627701374a558d486dee9f471ffc3f1871f885b6fab2febab6e5a33235db4e7c3475097e3f1873d434497830c15cf9fe8fff1992055600f4e24d12a4891ece69f0e0f03c2ebdd69ff97ab544fd2c70afb333ec605c51ae38a1e4f399e88d625108f3b20b0604f031348bd1670686cb1eced280d796469ea731f0c74ea2d6ff70f7a378d993c7ce59b77e631547a2e99f96a03b8ca46ffeefb9385a9b6be68f4a107ab3b00f1a01e6f1cebd115df0a2fbbbad98ea0b5bbd65d4842ae7cf1235eeef9827cde3335a2b4b7521b9f7ffe390331dc0284eebcbb719748a1aa690e71dfa8fbef1e77444fb6251c5bb1cbad7f565dd7de1c868b1bda36e452d90d051dd34a3eedef77443cec110597b96f860e90dd866a62a881dd550b734953bca499d880e231174e8f05428d1452c24bee110e2f637a338430cdd7de70281e7579864bdbdd6b4709c6f77a203d22304fc589a69a771fa30d07d2b65dbc50add069bfbb97b0a1fc6cdd767787b70f7bc50f0edb026118daa94516088bf228c082a179681bb63251780ce6e33769eb2bd4cc164da38df02e5773c54858cfba944b6d68317009836613142c44af0f51282fb2632f367074e2f3ddeec908c7f7b7c7f72f0214c60a82686493c9580c5cf4afb9d20ed386b7e808c7ee69af15306b3f208fbcdc4b7a2033c984b6e90f2aa1410fb984864e9f1e0f4f28956fd1abb90608e7edebef5b289ba0f1eeace17e6ab3b13df431d0d063074703fdeed4b75ff4535ed5851e9eec5e5bd0b117c6fa4490cb463809a19b432f34803a87f0fef48138ed2f09f60d6e18c59976131d0f5b79e926d2b31febea0b5e3e4ffc73049662b50d79fca3de37bd0061140a69d5c88090f8b94e544d5cd25516e597bf113c49d1a1bf518a16b5af619735a11754cbb3e6d7f6897c0007b07920ee109b03301e0bd4e87201046ced2f88cfe744f12f689171784989bfd454dc5ea3a1a2863f35991c77fdfaf97077fb7827374cee44eec5f16d17822bd378d1d88b96e6c53bf70fb81a28848191b8686f64f55fa60f23cd978655999103bc3b1e1f3342bc68b5defe8ffa7f81cb327f1f69b1023e4f249f0e00a2e0c71f7fa40949ffd18d254d24a378318a1fdd77ed91acea4b2d0d35d978af9ccedf1bf61590d6c5384edf833428aec623fdf8fa9fdf6139df1d2de9f2a2e0bc3f9cdf29dedf59e6e8c50dfe1d505109ea97e62e8cf026035b75cda4e0e6f9a40c5f933034c8689411e21af006ca28ed9b86babb35785fadbd7bbe7ffdb03b1879f07b75b1bffcdd17a254f0b2edf21898d4cb59481087b46a2f9a1e6bf731b29423b0c4d0b74a2d0ba080a25e7e298119516389702cde6f2f6e2d28e5a2fc7d0cc7fd7baced302048ea1340ad22b76d4d9ca53ceae136f08b36bfdde1af287d378ac0b4e85a0873489e0eaf0d31c3e77d267bed5bc2a88c533902cba004366b7ede988879951b71bbfff690e93a0ffec63796888e40d9e8e18fc68fac0f788ef33e666008bf5d8ed4737b3d917f1b534905f8ae0bd7eb925493b5da74cd630f476dfa27383910b0e68e276a0d06dc18b59ea1a8392bcd73422bf81adff0a2655e1671516e9cafdfa9789d5adbf5f4930fffefedb58f62509f0eea0d6c6671f9e7ffc355fa9472901a7a21419b99d1543d2fd63c900a7df57f01389dda3a20910000	2026-11-27 07:55:53.956801+00
\.


--
-- Data for Name: zero_check; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.zero_check (instrument_id, value, person_id, taken_at, recorded_at, id, part_c) FROM stdin;
3b7f94b6-e4e9-4fd9-bda1-8cf7938a90e3	0	8d8f9b3e-08d1-4d86-9291-3681ce165478	2026-11-27 07:55:55.07274+00	2026-11-27 07:55:55.074472+00	b252c34e-2fee-4f31-8d66-ff992f96d12f	\N
\.


--
-- Name: audit_entry_id_seq; Type: SEQUENCE SET; Schema: public; Owner: -
--

SELECT pg_catalog.setval('public.audit_entry_id_seq', 126, true);


--
-- Name: device_number_seq; Type: SEQUENCE SET; Schema: public; Owner: -
--

SELECT pg_catalog.setval('public.device_number_seq', 1, false);


--
-- Name: procrastinate_events_id_seq; Type: SEQUENCE SET; Schema: public; Owner: -
--

SELECT pg_catalog.setval('public.procrastinate_events_id_seq', 1, false);


--
-- Name: procrastinate_jobs_id_seq; Type: SEQUENCE SET; Schema: public; Owner: -
--

SELECT pg_catalog.setval('public.procrastinate_jobs_id_seq', 1, false);


--
-- Name: procrastinate_periodic_defers_id_seq; Type: SEQUENCE SET; Schema: public; Owner: -
--

SELECT pg_catalog.setval('public.procrastinate_periodic_defers_id_seq', 1, false);


--
-- Name: procrastinate_workers_id_seq; Type: SEQUENCE SET; Schema: public; Owner: -
--

SELECT pg_catalog.setval('public.procrastinate_workers_id_seq', 1, false);


--
-- Name: alembic_version alembic_version_pkc; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.alembic_version
    ADD CONSTRAINT alembic_version_pkc PRIMARY KEY (version_num);


--
-- Name: arm pk_arm; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.arm
    ADD CONSTRAINT pk_arm PRIMARY KEY (id);


--
-- Name: artifact pk_artifact; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.artifact
    ADD CONSTRAINT pk_artifact PRIMARY KEY (id);


--
-- Name: assembly_step pk_assembly_step; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.assembly_step
    ADD CONSTRAINT pk_assembly_step PRIMARY KEY (id);


--
-- Name: audit_entry pk_audit_entry; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.audit_entry
    ADD CONSTRAINT pk_audit_entry PRIMARY KEY (id);


--
-- Name: background_work pk_background_work; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.background_work
    ADD CONSTRAINT pk_background_work PRIMARY KEY (id);


--
-- Name: bench_rules pk_bench_rules; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.bench_rules
    ADD CONSTRAINT pk_bench_rules PRIMARY KEY (id);


--
-- Name: box_item pk_box_item; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.box_item
    ADD CONSTRAINT pk_box_item PRIMARY KEY (id);


--
-- Name: buyer_profile pk_buyer_profile; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.buyer_profile
    ADD CONSTRAINT pk_buyer_profile PRIMARY KEY (id);


--
-- Name: claim pk_claim; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.claim
    ADD CONSTRAINT pk_claim PRIMARY KEY (id);


--
-- Name: client_write pk_client_write; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.client_write
    ADD CONSTRAINT pk_client_write PRIMARY KEY (id);


--
-- Name: configuration pk_configuration; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.configuration
    ADD CONSTRAINT pk_configuration PRIMARY KEY (id);


--
-- Name: criterion pk_criterion; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.criterion
    ADD CONSTRAINT pk_criterion PRIMARY KEY (id);


--
-- Name: defect_score pk_defect_score; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.defect_score
    ADD CONSTRAINT pk_defect_score PRIMARY KEY (id);


--
-- Name: deviation pk_deviation; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.deviation
    ADD CONSTRAINT pk_deviation PRIMARY KEY (id);


--
-- Name: device pk_device; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.device
    ADD CONSTRAINT pk_device PRIMARY KEY (id);


--
-- Name: device_value pk_device_value; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.device_value
    ADD CONSTRAINT pk_device_value PRIMARY KEY (device, at);


--
-- Name: exchange_rate pk_exchange_rate; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.exchange_rate
    ADD CONSTRAINT pk_exchange_rate PRIMARY KEY (id);


--
-- Name: feature pk_feature; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.feature
    ADD CONSTRAINT pk_feature PRIMARY KEY (id);


--
-- Name: feature_worth pk_feature_worth; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.feature_worth
    ADD CONSTRAINT pk_feature_worth PRIMARY KEY (id);


--
-- Name: gate pk_gate; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.gate
    ADD CONSTRAINT pk_gate PRIMARY KEY (id);


--
-- Name: hypothesis pk_hypothesis; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.hypothesis
    ADD CONSTRAINT pk_hypothesis PRIMARY KEY (id);


--
-- Name: inspection_lock pk_inspection_lock; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.inspection_lock
    ADD CONSTRAINT pk_inspection_lock PRIMARY KEY (id);


--
-- Name: instrument pk_instrument; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.instrument
    ADD CONSTRAINT pk_instrument PRIMARY KEY (id);


--
-- Name: job pk_job; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.job
    ADD CONSTRAINT pk_job PRIMARY KEY (id);


--
-- Name: judgement pk_judgement; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.judgement
    ADD CONSTRAINT pk_judgement PRIMARY KEY (id);


--
-- Name: log_entry pk_log_entry; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.log_entry
    ADD CONSTRAINT pk_log_entry PRIMARY KEY (id);


--
-- Name: model pk_model; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.model
    ADD CONSTRAINT pk_model PRIMARY KEY (id);


--
-- Name: model_feature pk_model_feature; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.model_feature
    ADD CONSTRAINT pk_model_feature PRIMARY KEY (model_id, feature_id);


--
-- Name: noise_reading pk_noise_reading; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.noise_reading
    ADD CONSTRAINT pk_noise_reading PRIMARY KEY (id);


--
-- Name: person pk_person; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.person
    ADD CONSTRAINT pk_person PRIMARY KEY (id);


--
-- Name: photo pk_photo; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.photo
    ADD CONSTRAINT pk_photo PRIMARY KEY (id);


--
-- Name: pin pk_pin; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.pin
    ADD CONSTRAINT pk_pin PRIMARY KEY (id);


--
-- Name: power_level pk_power_level; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.power_level
    ADD CONSTRAINT pk_power_level PRIMARY KEY (device, step_s, at);


--
-- Name: power_sample pk_power_sample; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.power_sample
    ADD CONSTRAINT pk_power_sample PRIMARY KEY (device, at);


--
-- Name: print_line pk_print_line; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.print_line
    ADD CONSTRAINT pk_print_line PRIMARY KEY (id);


--
-- Name: printer_report pk_printer_report; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.printer_report
    ADD CONSTRAINT pk_printer_report PRIMARY KEY (device, at);


--
-- Name: protocol pk_protocol; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.protocol
    ADD CONSTRAINT pk_protocol PRIMARY KEY (id);


--
-- Name: protocol_template pk_protocol_template; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.protocol_template
    ADD CONSTRAINT pk_protocol_template PRIMARY KEY (id);


--
-- Name: reading pk_reading; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.reading
    ADD CONSTRAINT pk_reading PRIMARY KEY (id);


--
-- Name: rejection pk_rejection; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.rejection
    ADD CONSTRAINT pk_rejection PRIMARY KEY (id);


--
-- Name: report_revision pk_report_revision; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.report_revision
    ADD CONSTRAINT pk_report_revision PRIMARY KEY (id);


--
-- Name: run pk_run; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.run
    ADD CONSTRAINT pk_run PRIMARY KEY (id);


--
-- Name: run_event pk_run_event; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.run_event
    ADD CONSTRAINT pk_run_event PRIMARY KEY (id);


--
-- Name: safety_check pk_safety_check; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.safety_check
    ADD CONSTRAINT pk_safety_check PRIMARY KEY (id);


--
-- Name: schedule pk_schedule; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.schedule
    ADD CONSTRAINT pk_schedule PRIMARY KEY (id);


--
-- Name: scheme pk_scheme; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.scheme
    ADD CONSTRAINT pk_scheme PRIMARY KEY (id);


--
-- Name: sign_in_attempt pk_sign_in_attempt; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.sign_in_attempt
    ADD CONSTRAINT pk_sign_in_attempt PRIMARY KEY (id);


--
-- Name: sign_in_link pk_sign_in_link; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.sign_in_link
    ADD CONSTRAINT pk_sign_in_link PRIMARY KEY (id);


--
-- Name: sign_in_session pk_sign_in_session; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.sign_in_session
    ADD CONSTRAINT pk_sign_in_session PRIMARY KEY (id);


--
-- Name: sliced_file pk_sliced_file; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.sliced_file
    ADD CONSTRAINT pk_sliced_file PRIMARY KEY (id);


--
-- Name: specimen pk_specimen; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.specimen
    ADD CONSTRAINT pk_specimen PRIMARY KEY (id);


--
-- Name: spool pk_spool; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.spool
    ADD CONSTRAINT pk_spool PRIMARY KEY (id);


--
-- Name: spool_entry pk_spool_entry; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.spool_entry
    ADD CONSTRAINT pk_spool_entry PRIMARY KEY (id);


--
-- Name: study pk_study; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.study
    ADD CONSTRAINT pk_study PRIMARY KEY (id);


--
-- Name: study_unit pk_study_unit; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.study_unit
    ADD CONSTRAINT pk_study_unit PRIMARY KEY (id);


--
-- Name: unit pk_unit; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.unit
    ADD CONSTRAINT pk_unit PRIMARY KEY (id);


--
-- Name: unit_measure pk_unit_measure; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.unit_measure
    ADD CONSTRAINT pk_unit_measure PRIMARY KEY (id);


--
-- Name: unit_price pk_unit_price; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.unit_price
    ADD CONSTRAINT pk_unit_price PRIMARY KEY (id);


--
-- Name: upload pk_upload; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.upload
    ADD CONSTRAINT pk_upload PRIMARY KEY (sha256);


--
-- Name: zero_check pk_zero_check; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.zero_check
    ADD CONSTRAINT pk_zero_check PRIMARY KEY (id);


--
-- Name: procrastinate_events procrastinate_events_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.procrastinate_events
    ADD CONSTRAINT procrastinate_events_pkey PRIMARY KEY (id);


--
-- Name: procrastinate_jobs procrastinate_jobs_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.procrastinate_jobs
    ADD CONSTRAINT procrastinate_jobs_pkey PRIMARY KEY (id);


--
-- Name: procrastinate_periodic_defers procrastinate_periodic_defers_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.procrastinate_periodic_defers
    ADD CONSTRAINT procrastinate_periodic_defers_pkey PRIMARY KEY (id);


--
-- Name: procrastinate_periodic_defers procrastinate_periodic_defers_unique; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.procrastinate_periodic_defers
    ADD CONSTRAINT procrastinate_periodic_defers_unique UNIQUE (task_name, periodic_id, defer_timestamp);


--
-- Name: procrastinate_workers procrastinate_workers_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.procrastinate_workers
    ADD CONSTRAINT procrastinate_workers_pkey PRIMARY KEY (id);


--
-- Name: arm uq_arm_protocol_id_name; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.arm
    ADD CONSTRAINT uq_arm_protocol_id_name UNIQUE (protocol_id, name);


--
-- Name: artifact uq_artifact_code_number; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.artifact
    ADD CONSTRAINT uq_artifact_code_number UNIQUE (code, number);


--
-- Name: bench_rules uq_bench_rules_study_id; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.bench_rules
    ADD CONSTRAINT uq_bench_rules_study_id UNIQUE (study_id);


--
-- Name: box_item uq_box_item_unit_id_name; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.box_item
    ADD CONSTRAINT uq_box_item_unit_id_name UNIQUE (unit_id, name);


--
-- Name: buyer_profile uq_buyer_profile_study_id_name; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.buyer_profile
    ADD CONSTRAINT uq_buyer_profile_study_id_name UNIQUE (study_id, name);


--
-- Name: claim uq_claim_model_id_kind_name_state; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.claim
    ADD CONSTRAINT uq_claim_model_id_kind_name_state UNIQUE NULLS NOT DISTINCT (model_id, kind, name, state);


--
-- Name: configuration uq_configuration_unit_id_number; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.configuration
    ADD CONSTRAINT uq_configuration_unit_id_number UNIQUE (unit_id, number);


--
-- Name: criterion uq_criterion_scheme_id_code; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.criterion
    ADD CONSTRAINT uq_criterion_scheme_id_code UNIQUE (scheme_id, code);


--
-- Name: defect_score uq_defect_score_supersedes_id; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.defect_score
    ADD CONSTRAINT uq_defect_score_supersedes_id UNIQUE (supersedes_id);


--
-- Name: device uq_device_name; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.device
    ADD CONSTRAINT uq_device_name UNIQUE (name);


--
-- Name: device uq_device_number; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.device
    ADD CONSTRAINT uq_device_number UNIQUE (number);


--
-- Name: device uq_device_token_sha256; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.device
    ADD CONSTRAINT uq_device_token_sha256 UNIQUE (token_sha256);


--
-- Name: device uq_device_topic; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.device
    ADD CONSTRAINT uq_device_topic UNIQUE (topic);


--
-- Name: feature uq_feature_artifact_id_code; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.feature
    ADD CONSTRAINT uq_feature_artifact_id_code UNIQUE (artifact_id, code);


--
-- Name: feature_worth uq_feature_worth_name; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.feature_worth
    ADD CONSTRAINT uq_feature_worth_name UNIQUE (name);


--
-- Name: gate uq_gate_profile_id_kind; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.gate
    ADD CONSTRAINT uq_gate_profile_id_kind UNIQUE (profile_id, kind, what, at_least);


--
-- Name: inspection_lock uq_inspection_lock_specimen_id_person_id; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.inspection_lock
    ADD CONSTRAINT uq_inspection_lock_specimen_id_person_id UNIQUE (specimen_id, person_id);


--
-- Name: instrument uq_instrument_code; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.instrument
    ADD CONSTRAINT uq_instrument_code UNIQUE (code);


--
-- Name: job uq_job_arm_id_unit_id_artifact_id_spool_id_copy; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.job
    ADD CONSTRAINT uq_job_arm_id_unit_id_artifact_id_spool_id_copy UNIQUE (arm_id, unit_id, artifact_id, spool_id, copy);


--
-- Name: job uq_job_study_id_position; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.job
    ADD CONSTRAINT uq_job_study_id_position UNIQUE (study_id, "position");


--
-- Name: judgement uq_judgement_supersedes_id; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.judgement
    ADD CONSTRAINT uq_judgement_supersedes_id UNIQUE (supersedes_id);


--
-- Name: log_entry uq_log_entry_supersedes_id; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.log_entry
    ADD CONSTRAINT uq_log_entry_supersedes_id UNIQUE (supersedes_id);


--
-- Name: model uq_model_name; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.model
    ADD CONSTRAINT uq_model_name UNIQUE (name);


--
-- Name: noise_reading uq_noise_reading_supersedes_id; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.noise_reading
    ADD CONSTRAINT uq_noise_reading_supersedes_id UNIQUE (supersedes_id);


--
-- Name: pin uq_pin_job_id; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.pin
    ADD CONSTRAINT uq_pin_job_id UNIQUE (job_id);


--
-- Name: print_line uq_print_line_arm_id_artifact_id_spool_id; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.print_line
    ADD CONSTRAINT uq_print_line_arm_id_artifact_id_spool_id UNIQUE NULLS NOT DISTINCT (arm_id, artifact_id, spool_id);


--
-- Name: protocol uq_protocol_study_id_number; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.protocol
    ADD CONSTRAINT uq_protocol_study_id_number UNIQUE (study_id, number);


--
-- Name: protocol_template uq_protocol_template_name; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.protocol_template
    ADD CONSTRAINT uq_protocol_template_name UNIQUE (name);


--
-- Name: reading uq_reading_supersedes_id; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.reading
    ADD CONSTRAINT uq_reading_supersedes_id UNIQUE (supersedes_id);


--
-- Name: rejection uq_rejection_supersedes_id; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.rejection
    ADD CONSTRAINT uq_rejection_supersedes_id UNIQUE (supersedes_id);


--
-- Name: report_revision uq_report_revision_study_id_number; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.report_revision
    ADD CONSTRAINT uq_report_revision_study_id_number UNIQUE (study_id, number);


--
-- Name: run_event uq_run_event_supersedes_id; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.run_event
    ADD CONSTRAINT uq_run_event_supersedes_id UNIQUE (supersedes_id);


--
-- Name: run uq_run_job_id_attempt; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.run
    ADD CONSTRAINT uq_run_job_id_attempt UNIQUE (job_id, attempt);


--
-- Name: schedule uq_schedule_study_id_number; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.schedule
    ADD CONSTRAINT uq_schedule_study_id_number UNIQUE (study_id, number);


--
-- Name: scheme uq_scheme_study_id_number; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.scheme
    ADD CONSTRAINT uq_scheme_study_id_number UNIQUE (study_id, number);


--
-- Name: sign_in_link uq_sign_in_link_token_hash; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.sign_in_link
    ADD CONSTRAINT uq_sign_in_link_token_hash UNIQUE (token_hash);


--
-- Name: specimen uq_specimen_run_id; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.specimen
    ADD CONSTRAINT uq_specimen_run_id UNIQUE (run_id);


--
-- Name: specimen uq_specimen_study_id_blind_code; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.specimen
    ADD CONSTRAINT uq_specimen_study_id_blind_code UNIQUE (study_id, blind_code);


--
-- Name: spool uq_spool_code; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.spool
    ADD CONSTRAINT uq_spool_code UNIQUE (code);


--
-- Name: study uq_study_title; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.study
    ADD CONSTRAINT uq_study_title UNIQUE (title);


--
-- Name: study_unit uq_study_unit_study_id_unit_id; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.study_unit
    ADD CONSTRAINT uq_study_unit_study_id_unit_id UNIQUE (study_id, unit_id);


--
-- Name: unit_measure uq_unit_measure_supersedes_id; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.unit_measure
    ADD CONSTRAINT uq_unit_measure_supersedes_id UNIQUE (supersedes_id);


--
-- Name: unit uq_unit_model_id_serial; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.unit
    ADD CONSTRAINT uq_unit_model_id_serial UNIQUE (model_id, serial);


--
-- Name: idx_procrastinate_jobs_worker_not_null; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX idx_procrastinate_jobs_worker_not_null ON public.procrastinate_jobs USING btree (worker_id) WHERE ((worker_id IS NOT NULL) AND (status = 'doing'::public.procrastinate_job_status));


--
-- Name: idx_procrastinate_workers_last_heartbeat; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX idx_procrastinate_workers_last_heartbeat ON public.procrastinate_workers USING btree (last_heartbeat);


--
-- Name: ix_assembly_step_unit_id; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_assembly_step_unit_id ON public.assembly_step USING btree (unit_id);


--
-- Name: ix_audit_entry_row; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_audit_entry_row ON public.audit_entry USING btree (table_name, row_id);


--
-- Name: ix_background_work_study_id; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_background_work_study_id ON public.background_work USING btree (study_id);


--
-- Name: ix_background_work_subject_id; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_background_work_subject_id ON public.background_work USING btree (subject_id);


--
-- Name: ix_box_item_unit_id; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_box_item_unit_id ON public.box_item USING btree (unit_id);


--
-- Name: ix_claim_model_id; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_claim_model_id ON public.claim USING btree (model_id);


--
-- Name: ix_defect_score_specimen_id; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_defect_score_specimen_id ON public.defect_score USING btree (specimen_id);


--
-- Name: ix_deviation_study_id; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_deviation_study_id ON public.deviation USING btree (study_id);


--
-- Name: ix_device_unit_id; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_device_unit_id ON public.device USING btree (unit_id);


--
-- Name: ix_hypothesis_run_id; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_hypothesis_run_id ON public.hypothesis USING btree (run_id);


--
-- Name: ix_job_spool_id; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_job_spool_id ON public.job USING btree (spool_id);


--
-- Name: ix_job_study_id; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_job_study_id ON public.job USING btree (study_id);


--
-- Name: ix_job_unit_id; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_job_unit_id ON public.job USING btree (unit_id);


--
-- Name: ix_judgement_specimen_id; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_judgement_specimen_id ON public.judgement USING btree (specimen_id);


--
-- Name: ix_log_entry_unit_id; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_log_entry_unit_id ON public.log_entry USING btree (unit_id);


--
-- Name: ix_noise_reading_run_id; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_noise_reading_run_id ON public.noise_reading USING btree (run_id);


--
-- Name: ix_noise_reading_unit_id; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_noise_reading_unit_id ON public.noise_reading USING btree (unit_id);


--
-- Name: ix_photo_subject_id; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_photo_subject_id ON public.photo USING btree (subject_id);


--
-- Name: ix_pin_study_id; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_pin_study_id ON public.pin USING btree (study_id);


--
-- Name: ix_reading_specimen_id; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_reading_specimen_id ON public.reading USING btree (specimen_id);


--
-- Name: ix_rejection_specimen_id; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_rejection_specimen_id ON public.rejection USING btree (specimen_id);


--
-- Name: ix_run_configuration_id; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_run_configuration_id ON public.run USING btree (configuration_id);


--
-- Name: ix_run_event_run_id; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_run_event_run_id ON public.run_event USING btree (run_id);


--
-- Name: ix_run_sliced_file_id; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_run_sliced_file_id ON public.run USING btree (sliced_file_id);


--
-- Name: ix_safety_check_unit_id; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_safety_check_unit_id ON public.safety_check USING btree (unit_id);


--
-- Name: ix_sign_in_attempt_address; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_sign_in_attempt_address ON public.sign_in_attempt USING btree (address);


--
-- Name: ix_sign_in_attempt_email; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_sign_in_attempt_email ON public.sign_in_attempt USING btree (email);


--
-- Name: ix_sign_in_session_person_id; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_sign_in_session_person_id ON public.sign_in_session USING btree (person_id);


--
-- Name: ix_sliced_file_job_id; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_sliced_file_job_id ON public.sliced_file USING btree (job_id);


--
-- Name: ix_spool_entry_spool_id; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_spool_entry_spool_id ON public.spool_entry USING btree (spool_id);


--
-- Name: ix_unit_measure_unit_id; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_unit_measure_unit_id ON public.unit_measure USING btree (unit_id);


--
-- Name: ix_unit_model_id; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_unit_model_id ON public.unit USING btree (model_id);


--
-- Name: ix_unit_price_unit_id; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_unit_price_unit_id ON public.unit_price USING btree (unit_id);


--
-- Name: ix_zero_check_instrument_id; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_zero_check_instrument_id ON public.zero_check USING btree (instrument_id);


--
-- Name: procrastinate_events_job_id_fkey_v1; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX procrastinate_events_job_id_fkey_v1 ON public.procrastinate_events USING btree (job_id);


--
-- Name: procrastinate_jobs_id_lock_idx_v1; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX procrastinate_jobs_id_lock_idx_v1 ON public.procrastinate_jobs USING btree (id, lock) WHERE (status = ANY (ARRAY['todo'::public.procrastinate_job_status, 'doing'::public.procrastinate_job_status]));


--
-- Name: procrastinate_jobs_lock_idx_v1; Type: INDEX; Schema: public; Owner: -
--

CREATE UNIQUE INDEX procrastinate_jobs_lock_idx_v1 ON public.procrastinate_jobs USING btree (lock) WHERE (status = 'doing'::public.procrastinate_job_status);


--
-- Name: procrastinate_jobs_priority_idx_v1; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX procrastinate_jobs_priority_idx_v1 ON public.procrastinate_jobs USING btree (priority DESC, id) WHERE (status = 'todo'::public.procrastinate_job_status);


--
-- Name: procrastinate_jobs_queue_name_idx_v1; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX procrastinate_jobs_queue_name_idx_v1 ON public.procrastinate_jobs USING btree (queue_name);


--
-- Name: procrastinate_jobs_queueing_lock_idx_v1; Type: INDEX; Schema: public; Owner: -
--

CREATE UNIQUE INDEX procrastinate_jobs_queueing_lock_idx_v1 ON public.procrastinate_jobs USING btree (queueing_lock) WHERE (status = 'todo'::public.procrastinate_job_status);


--
-- Name: procrastinate_periodic_defers_job_id_fkey_v1; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX procrastinate_periodic_defers_job_id_fkey_v1 ON public.procrastinate_periodic_defers USING btree (job_id);


--
-- Name: uq_background_work_open; Type: INDEX; Schema: public; Owner: -
--

CREATE UNIQUE INDEX uq_background_work_open ON public.background_work USING btree (COALESCE(subject_id, study_id), kind) WHERE ((state)::text = ANY ((ARRAY['waiting'::character varying, 'running'::character varying])::text[]));


--
-- Name: uq_defect_score_first; Type: INDEX; Schema: public; Owner: -
--

CREATE UNIQUE INDEX uq_defect_score_first ON public.defect_score USING btree (specimen_id, defect, person_id) WHERE (supersedes_id IS NULL);


--
-- Name: uq_feature_worth_base; Type: INDEX; Schema: public; Owner: -
--

CREATE UNIQUE INDEX uq_feature_worth_base ON public.feature_worth USING btree (is_base) WHERE is_base;


--
-- Name: uq_judgement_first; Type: INDEX; Schema: public; Owner: -
--

CREATE UNIQUE INDEX uq_judgement_first ON public.judgement USING btree (specimen_id, feature_id, takes, person_id) NULLS NOT DISTINCT WHERE (supersedes_id IS NULL);


--
-- Name: uq_person_email_lower; Type: INDEX; Schema: public; Owner: -
--

CREATE UNIQUE INDEX uq_person_email_lower ON public.person USING btree (lower((email)::text));


--
-- Name: uq_protocol_draft; Type: INDEX; Schema: public; Owner: -
--

CREATE UNIQUE INDEX uq_protocol_draft ON public.protocol USING btree (study_id) WHERE (frozen_at IS NULL);


--
-- Name: uq_reading_first; Type: INDEX; Schema: public; Owner: -
--

CREATE UNIQUE INDEX uq_reading_first ON public.reading USING btree (specimen_id, feature_id, repeat) WHERE (supersedes_id IS NULL);


--
-- Name: uq_rejection_first; Type: INDEX; Schema: public; Owner: -
--

CREATE UNIQUE INDEX uq_rejection_first ON public.rejection USING btree (specimen_id) WHERE (supersedes_id IS NULL);


--
-- Name: uq_run_live; Type: INDEX; Schema: public; Owner: -
--

CREATE UNIQUE INDEX uq_run_live ON public.run USING btree (job_id) WHERE (ended_at IS NULL);


--
-- Name: uq_study_unit_control; Type: INDEX; Schema: public; Owner: -
--

CREATE UNIQUE INDEX uq_study_unit_control ON public.study_unit USING btree (study_id) WHERE is_control;


--
-- Name: artifact append_only; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON public.artifact FOR EACH ROW EXECUTE FUNCTION public.refuse_change();


--
-- Name: audit_entry append_only; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON public.audit_entry FOR EACH ROW EXECUTE FUNCTION public.refuse_change();


--
-- Name: configuration append_only; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON public.configuration FOR EACH ROW EXECUTE FUNCTION public.refuse_change();


--
-- Name: criterion append_only; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON public.criterion FOR EACH ROW EXECUTE FUNCTION public.refuse_change();


--
-- Name: defect_score append_only; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON public.defect_score FOR EACH ROW EXECUTE FUNCTION public.refuse_change();


--
-- Name: deviation append_only; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON public.deviation FOR EACH ROW EXECUTE FUNCTION public.refuse_change();


--
-- Name: exchange_rate append_only; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON public.exchange_rate FOR EACH ROW EXECUTE FUNCTION public.refuse_change();


--
-- Name: feature append_only; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON public.feature FOR EACH ROW EXECUTE FUNCTION public.refuse_change();


--
-- Name: inspection_lock append_only; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON public.inspection_lock FOR EACH ROW EXECUTE FUNCTION public.refuse_change();


--
-- Name: job append_only; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON public.job FOR EACH ROW EXECUTE FUNCTION public.refuse_change();


--
-- Name: judgement append_only; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON public.judgement FOR EACH ROW EXECUTE FUNCTION public.refuse_change();


--
-- Name: log_entry append_only; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON public.log_entry FOR EACH ROW EXECUTE FUNCTION public.refuse_change();


--
-- Name: noise_reading append_only; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON public.noise_reading FOR EACH ROW EXECUTE FUNCTION public.refuse_change();


--
-- Name: reading append_only; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON public.reading FOR EACH ROW EXECUTE FUNCTION public.refuse_change();


--
-- Name: rejection append_only; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON public.rejection FOR EACH ROW EXECUTE FUNCTION public.refuse_change();


--
-- Name: report_revision append_only; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON public.report_revision FOR EACH ROW EXECUTE FUNCTION public.refuse_change();


--
-- Name: run_event append_only; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON public.run_event FOR EACH ROW EXECUTE FUNCTION public.refuse_change();


--
-- Name: safety_check append_only; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON public.safety_check FOR EACH ROW EXECUTE FUNCTION public.refuse_change();


--
-- Name: schedule append_only; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON public.schedule FOR EACH ROW EXECUTE FUNCTION public.refuse_change();


--
-- Name: scheme append_only; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON public.scheme FOR EACH ROW EXECUTE FUNCTION public.refuse_change();


--
-- Name: spool_entry append_only; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON public.spool_entry FOR EACH ROW EXECUTE FUNCTION public.refuse_change();


--
-- Name: unit_measure append_only; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON public.unit_measure FOR EACH ROW EXECUTE FUNCTION public.refuse_change();


--
-- Name: unit_price append_only; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON public.unit_price FOR EACH ROW EXECUTE FUNCTION public.refuse_change();


--
-- Name: upload append_only; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON public.upload FOR EACH ROW EXECUTE FUNCTION public.refuse_change();


--
-- Name: zero_check append_only; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON public.zero_check FOR EACH ROW EXECUTE FUNCTION public.refuse_change();


--
-- Name: run append_only_delete; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_delete BEFORE DELETE ON public.run FOR EACH ROW EXECUTE FUNCTION public.refuse_change();


--
-- Name: sliced_file append_only_delete; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_delete BEFORE DELETE ON public.sliced_file FOR EACH ROW EXECUTE FUNCTION public.refuse_change();


--
-- Name: specimen append_only_delete; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_delete BEFORE DELETE ON public.specimen FOR EACH ROW EXECUTE FUNCTION public.refuse_change();


--
-- Name: arm append_only_truncate; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON public.arm FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();


--
-- Name: artifact append_only_truncate; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON public.artifact FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();


--
-- Name: audit_entry append_only_truncate; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON public.audit_entry FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();


--
-- Name: configuration append_only_truncate; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON public.configuration FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();


--
-- Name: criterion append_only_truncate; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON public.criterion FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();


--
-- Name: defect_score append_only_truncate; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON public.defect_score FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();


--
-- Name: deviation append_only_truncate; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON public.deviation FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();


--
-- Name: exchange_rate append_only_truncate; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON public.exchange_rate FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();


--
-- Name: feature append_only_truncate; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON public.feature FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();


--
-- Name: hypothesis append_only_truncate; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON public.hypothesis FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();


--
-- Name: inspection_lock append_only_truncate; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON public.inspection_lock FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();


--
-- Name: job append_only_truncate; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON public.job FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();


--
-- Name: judgement append_only_truncate; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON public.judgement FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();


--
-- Name: log_entry append_only_truncate; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON public.log_entry FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();


--
-- Name: model append_only_truncate; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON public.model FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();


--
-- Name: noise_reading append_only_truncate; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON public.noise_reading FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();


--
-- Name: person append_only_truncate; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON public.person FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();


--
-- Name: photo append_only_truncate; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON public.photo FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();


--
-- Name: print_line append_only_truncate; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON public.print_line FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();


--
-- Name: protocol append_only_truncate; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON public.protocol FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();


--
-- Name: reading append_only_truncate; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON public.reading FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();


--
-- Name: rejection append_only_truncate; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON public.rejection FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();


--
-- Name: report_revision append_only_truncate; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON public.report_revision FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();


--
-- Name: run append_only_truncate; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON public.run FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();


--
-- Name: run_event append_only_truncate; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON public.run_event FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();


--
-- Name: safety_check append_only_truncate; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON public.safety_check FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();


--
-- Name: schedule append_only_truncate; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON public.schedule FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();


--
-- Name: scheme append_only_truncate; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON public.scheme FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();


--
-- Name: sliced_file append_only_truncate; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON public.sliced_file FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();


--
-- Name: specimen append_only_truncate; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON public.specimen FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();


--
-- Name: spool_entry append_only_truncate; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON public.spool_entry FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();


--
-- Name: study append_only_truncate; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON public.study FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();


--
-- Name: unit append_only_truncate; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON public.unit FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();


--
-- Name: unit_measure append_only_truncate; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON public.unit_measure FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();


--
-- Name: unit_price append_only_truncate; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON public.unit_price FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();


--
-- Name: upload append_only_truncate; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON public.upload FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();


--
-- Name: zero_check append_only_truncate; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER append_only_truncate BEFORE TRUNCATE ON public.zero_check FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();


--
-- Name: arm audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.arm FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: artifact audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.artifact FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: assembly_step audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.assembly_step FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: background_work audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE ON public.background_work FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: bench_rules audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.bench_rules FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: box_item audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.box_item FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: buyer_profile audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.buyer_profile FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: claim audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.claim FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: configuration audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.configuration FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: criterion audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.criterion FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: defect_score audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.defect_score FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: deviation audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.deviation FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: device audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE ON public.device FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: exchange_rate audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.exchange_rate FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: feature audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.feature FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: feature_worth audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.feature_worth FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: gate audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.gate FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: hypothesis audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.hypothesis FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: inspection_lock audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.inspection_lock FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: instrument audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.instrument FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: job audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.job FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: judgement audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.judgement FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: log_entry audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.log_entry FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: model audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.model FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: model_feature audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.model_feature FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: noise_reading audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.noise_reading FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: person audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.person FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: photo audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.photo FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: pin audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.pin FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: print_line audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.print_line FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: protocol audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.protocol FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: protocol_template audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.protocol_template FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: reading audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.reading FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: rejection audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.rejection FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: report_revision audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.report_revision FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: run audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.run FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: run_event audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.run_event FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: safety_check audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.safety_check FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: schedule audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.schedule FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: scheme audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.scheme FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: sliced_file audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.sliced_file FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: specimen audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.specimen FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: spool audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.spool FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: spool_entry audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.spool_entry FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: study audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.study FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: study_unit audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.study_unit FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: unit audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.unit FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: unit_measure audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.unit_measure FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: unit_price audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.unit_price FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: upload audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.upload FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: zero_check audit; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit AFTER INSERT OR DELETE OR UPDATE ON public.zero_check FOR EACH ROW EXECUTE FUNCTION public.write_audit();


--
-- Name: device audit_changes; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER audit_changes AFTER UPDATE ON public.device FOR EACH ROW WHEN ((old.refused = new.refused)) EXECUTE FUNCTION public.write_audit();


--
-- Name: defect_score correct_in_place; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER correct_in_place BEFORE INSERT ON public.defect_score FOR EACH ROW EXECUTE FUNCTION public.correct_in_place('specimen_id', 'defect', 'person_id');


--
-- Name: judgement correct_in_place; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER correct_in_place BEFORE INSERT ON public.judgement FOR EACH ROW EXECUTE FUNCTION public.correct_in_place('specimen_id', 'feature_id', 'takes', 'person_id');


--
-- Name: log_entry correct_in_place; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER correct_in_place BEFORE INSERT ON public.log_entry FOR EACH ROW EXECUTE FUNCTION public.correct_in_place('unit_id', 'kind');


--
-- Name: noise_reading correct_in_place; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER correct_in_place BEFORE INSERT ON public.noise_reading FOR EACH ROW EXECUTE FUNCTION public.correct_in_place('run_id', 'unit_id');


--
-- Name: reading correct_in_place; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER correct_in_place BEFORE INSERT ON public.reading FOR EACH ROW EXECUTE FUNCTION public.correct_in_place('specimen_id', 'feature_id', 'repeat');


--
-- Name: rejection correct_in_place; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER correct_in_place BEFORE INSERT ON public.rejection FOR EACH ROW EXECUTE FUNCTION public.correct_in_place('specimen_id');


--
-- Name: run_event correct_in_place; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER correct_in_place BEFORE INSERT ON public.run_event FOR EACH ROW EXECUTE FUNCTION public.correct_in_place('run_id');


--
-- Name: unit_measure correct_in_place; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER correct_in_place BEFORE INSERT ON public.unit_measure FOR EACH ROW EXECUTE FUNCTION public.correct_in_place('unit_id', 'kind');


--
-- Name: person keep_an_owner; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER keep_an_owner BEFORE DELETE OR UPDATE ON public.person FOR EACH ROW EXECUTE FUNCTION public.keep_an_owner();


--
-- Name: defect_score keep_blind; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER keep_blind BEFORE INSERT ON public.defect_score FOR EACH ROW EXECUTE FUNCTION public.keep_blind();


--
-- Name: judgement keep_blind; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER keep_blind BEFORE INSERT ON public.judgement FOR EACH ROW EXECUTE FUNCTION public.keep_blind();


--
-- Name: reading keep_blind; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER keep_blind BEFORE INSERT ON public.reading FOR EACH ROW EXECUTE FUNCTION public.keep_blind();


--
-- Name: run keep_columns; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER keep_columns BEFORE UPDATE ON public.run FOR EACH ROW EXECUTE FUNCTION public.keep_columns('job_id', 'attempt', 'configuration_id', 'sliced_file_id', 'started_at', 'unattended', 'changed');


--
-- Name: sliced_file keep_columns; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER keep_columns BEFORE UPDATE ON public.sliced_file FOR EACH ROW EXECUTE FUNCTION public.keep_columns('id', 'job_id', 'sha256', 'name', 'facts', 'settings', 'motion', 'deviations', 'received_at');


--
-- Name: specimen keep_columns; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER keep_columns BEFORE UPDATE ON public.specimen FOR EACH ROW EXECUTE FUNCTION public.keep_columns('id', 'study_id', 'run_id', 'blind_code', 'position', 'bagged_at');


--
-- Name: study keep_columns; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER keep_columns BEFORE UPDATE ON public.study FOR EACH ROW EXECUTE FUNCTION public.keep_columns('seed', 'blind_secret', 'created_at');


--
-- Name: run keep_ended; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER keep_ended BEFORE UPDATE ON public.run FOR EACH ROW WHEN ((old.outcome IS NOT NULL)) EXECUTE FUNCTION public.keep_columns('ended_at', 'outcome', 'cause', 'failed_at_percent', 'failed_at_layer', 'note', 'uses_attempt');


--
-- Name: arm keep_frozen; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER keep_frozen BEFORE INSERT OR DELETE OR UPDATE ON public.arm FOR EACH ROW EXECUTE FUNCTION public.keep_frozen_arm();


--
-- Name: print_line keep_frozen; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER keep_frozen BEFORE INSERT OR DELETE OR UPDATE ON public.print_line FOR EACH ROW EXECUTE FUNCTION public.keep_frozen_line();


--
-- Name: protocol keep_frozen; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER keep_frozen BEFORE DELETE OR UPDATE ON public.protocol FOR EACH ROW EXECUTE FUNCTION public.keep_frozen();


--
-- Name: study keep_revealed; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER keep_revealed BEFORE UPDATE ON public.study FOR EACH ROW WHEN ((old.revealed_at IS NOT NULL)) EXECUTE FUNCTION public.keep_columns('revealed_at');


--
-- Name: sliced_file keep_withdrawn; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER keep_withdrawn BEFORE UPDATE ON public.sliced_file FOR EACH ROW WHEN ((old.withdrawn_at IS NOT NULL)) EXECUTE FUNCTION public.keep_columns('withdrawn_at', 'withdrawn_by');


--
-- Name: procrastinate_jobs procrastinate_jobs_notify_queue_job_aborted_v1; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER procrastinate_jobs_notify_queue_job_aborted_v1 AFTER UPDATE OF abort_requested ON public.procrastinate_jobs FOR EACH ROW WHEN (((old.abort_requested = false) AND (new.abort_requested = true) AND (new.status = 'doing'::public.procrastinate_job_status))) EXECUTE FUNCTION public.procrastinate_notify_queue_abort_job_v1();


--
-- Name: procrastinate_jobs procrastinate_jobs_notify_queue_job_inserted_v1; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER procrastinate_jobs_notify_queue_job_inserted_v1 AFTER INSERT ON public.procrastinate_jobs FOR EACH ROW WHEN ((new.status = 'todo'::public.procrastinate_job_status)) EXECUTE FUNCTION public.procrastinate_notify_queue_job_inserted_v1();


--
-- Name: procrastinate_jobs procrastinate_trigger_abort_requested_events_v1; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER procrastinate_trigger_abort_requested_events_v1 AFTER UPDATE OF abort_requested ON public.procrastinate_jobs FOR EACH ROW WHEN ((new.abort_requested = true)) EXECUTE FUNCTION public.procrastinate_trigger_abort_requested_events_procedure_v1();


--
-- Name: procrastinate_jobs procrastinate_trigger_delete_jobs_v1; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER procrastinate_trigger_delete_jobs_v1 BEFORE DELETE ON public.procrastinate_jobs FOR EACH ROW EXECUTE FUNCTION public.procrastinate_unlink_periodic_defers_v1();


--
-- Name: procrastinate_jobs procrastinate_trigger_scheduled_events_v1; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER procrastinate_trigger_scheduled_events_v1 AFTER INSERT OR UPDATE ON public.procrastinate_jobs FOR EACH ROW WHEN (((new.scheduled_at IS NOT NULL) AND (new.status = 'todo'::public.procrastinate_job_status))) EXECUTE FUNCTION public.procrastinate_trigger_function_scheduled_events_v1();


--
-- Name: procrastinate_jobs procrastinate_trigger_status_events_insert_v1; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER procrastinate_trigger_status_events_insert_v1 AFTER INSERT ON public.procrastinate_jobs FOR EACH ROW WHEN ((new.status = 'todo'::public.procrastinate_job_status)) EXECUTE FUNCTION public.procrastinate_trigger_function_status_events_insert_v1();


--
-- Name: procrastinate_jobs procrastinate_trigger_status_events_update_v1; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER procrastinate_trigger_status_events_update_v1 AFTER UPDATE OF status ON public.procrastinate_jobs FOR EACH ROW EXECUTE FUNCTION public.procrastinate_trigger_function_status_events_update_v1();


--
-- Name: inspection_lock wait_for_scores; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER wait_for_scores BEFORE INSERT ON public.inspection_lock FOR EACH ROW EXECUTE FUNCTION public.wait_for_scores();


--
-- Name: arm fk_arm_protocol_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.arm
    ADD CONSTRAINT fk_arm_protocol_id FOREIGN KEY (protocol_id) REFERENCES public.protocol(id);


--
-- Name: artifact fk_artifact_mesh_sha256; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.artifact
    ADD CONSTRAINT fk_artifact_mesh_sha256 FOREIGN KEY (mesh_sha256) REFERENCES public.upload(sha256);


--
-- Name: assembly_step fk_assembly_step_person_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.assembly_step
    ADD CONSTRAINT fk_assembly_step_person_id FOREIGN KEY (person_id) REFERENCES public.person(id);


--
-- Name: assembly_step fk_assembly_step_unit_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.assembly_step
    ADD CONSTRAINT fk_assembly_step_unit_id FOREIGN KEY (unit_id) REFERENCES public.unit(id);


--
-- Name: background_work fk_background_work_person_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.background_work
    ADD CONSTRAINT fk_background_work_person_id FOREIGN KEY (person_id) REFERENCES public.person(id);


--
-- Name: background_work fk_background_work_study_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.background_work
    ADD CONSTRAINT fk_background_work_study_id FOREIGN KEY (study_id) REFERENCES public.study(id);


--
-- Name: bench_rules fk_bench_rules_study_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.bench_rules
    ADD CONSTRAINT fk_bench_rules_study_id FOREIGN KEY (study_id) REFERENCES public.study(id);


--
-- Name: box_item fk_box_item_unit_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.box_item
    ADD CONSTRAINT fk_box_item_unit_id FOREIGN KEY (unit_id) REFERENCES public.unit(id);


--
-- Name: buyer_profile fk_buyer_profile_study_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.buyer_profile
    ADD CONSTRAINT fk_buyer_profile_study_id FOREIGN KEY (study_id) REFERENCES public.study(id);


--
-- Name: claim fk_claim_model_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.claim
    ADD CONSTRAINT fk_claim_model_id FOREIGN KEY (model_id) REFERENCES public.model(id);


--
-- Name: configuration fk_configuration_unit_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.configuration
    ADD CONSTRAINT fk_configuration_unit_id FOREIGN KEY (unit_id) REFERENCES public.unit(id);


--
-- Name: criterion fk_criterion_scheme_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.criterion
    ADD CONSTRAINT fk_criterion_scheme_id FOREIGN KEY (scheme_id) REFERENCES public.scheme(id);


--
-- Name: defect_score fk_defect_score_person_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.defect_score
    ADD CONSTRAINT fk_defect_score_person_id FOREIGN KEY (person_id) REFERENCES public.person(id);


--
-- Name: defect_score fk_defect_score_specimen_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.defect_score
    ADD CONSTRAINT fk_defect_score_specimen_id FOREIGN KEY (specimen_id) REFERENCES public.specimen(id);


--
-- Name: defect_score fk_defect_score_supersedes_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.defect_score
    ADD CONSTRAINT fk_defect_score_supersedes_id FOREIGN KEY (supersedes_id) REFERENCES public.defect_score(id);


--
-- Name: deviation fk_deviation_job_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.deviation
    ADD CONSTRAINT fk_deviation_job_id FOREIGN KEY (job_id) REFERENCES public.job(id);


--
-- Name: deviation fk_deviation_person_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.deviation
    ADD CONSTRAINT fk_deviation_person_id FOREIGN KEY (person_id) REFERENCES public.person(id);


--
-- Name: deviation fk_deviation_study_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.deviation
    ADD CONSTRAINT fk_deviation_study_id FOREIGN KEY (study_id) REFERENCES public.study(id);


--
-- Name: device fk_device_instrument_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.device
    ADD CONSTRAINT fk_device_instrument_id FOREIGN KEY (instrument_id) REFERENCES public.instrument(id);


--
-- Name: device fk_device_unit_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.device
    ADD CONSTRAINT fk_device_unit_id FOREIGN KEY (unit_id) REFERENCES public.unit(id);


--
-- Name: exchange_rate fk_exchange_rate_person_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.exchange_rate
    ADD CONSTRAINT fk_exchange_rate_person_id FOREIGN KEY (person_id) REFERENCES public.person(id);


--
-- Name: feature fk_feature_artifact_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.feature
    ADD CONSTRAINT fk_feature_artifact_id FOREIGN KEY (artifact_id) REFERENCES public.artifact(id);


--
-- Name: gate fk_gate_profile_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.gate
    ADD CONSTRAINT fk_gate_profile_id FOREIGN KEY (profile_id) REFERENCES public.buyer_profile(id);


--
-- Name: hypothesis fk_hypothesis_person_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.hypothesis
    ADD CONSTRAINT fk_hypothesis_person_id FOREIGN KEY (person_id) REFERENCES public.person(id);


--
-- Name: hypothesis fk_hypothesis_run_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.hypothesis
    ADD CONSTRAINT fk_hypothesis_run_id FOREIGN KEY (run_id) REFERENCES public.run(id);


--
-- Name: inspection_lock fk_inspection_lock_person_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.inspection_lock
    ADD CONSTRAINT fk_inspection_lock_person_id FOREIGN KEY (person_id) REFERENCES public.person(id);


--
-- Name: inspection_lock fk_inspection_lock_specimen_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.inspection_lock
    ADD CONSTRAINT fk_inspection_lock_specimen_id FOREIGN KEY (specimen_id) REFERENCES public.specimen(id);


--
-- Name: job fk_job_arm_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.job
    ADD CONSTRAINT fk_job_arm_id FOREIGN KEY (arm_id) REFERENCES public.arm(id);


--
-- Name: job fk_job_artifact_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.job
    ADD CONSTRAINT fk_job_artifact_id FOREIGN KEY (artifact_id) REFERENCES public.artifact(id);


--
-- Name: job fk_job_second_spool_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.job
    ADD CONSTRAINT fk_job_second_spool_id FOREIGN KEY (second_spool_id) REFERENCES public.spool(id);


--
-- Name: job fk_job_spool_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.job
    ADD CONSTRAINT fk_job_spool_id FOREIGN KEY (spool_id) REFERENCES public.spool(id);


--
-- Name: job fk_job_study_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.job
    ADD CONSTRAINT fk_job_study_id FOREIGN KEY (study_id) REFERENCES public.study(id);


--
-- Name: job fk_job_unit_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.job
    ADD CONSTRAINT fk_job_unit_id FOREIGN KEY (unit_id) REFERENCES public.unit(id);


--
-- Name: judgement fk_judgement_feature_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.judgement
    ADD CONSTRAINT fk_judgement_feature_id FOREIGN KEY (feature_id) REFERENCES public.feature(id);


--
-- Name: judgement fk_judgement_person_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.judgement
    ADD CONSTRAINT fk_judgement_person_id FOREIGN KEY (person_id) REFERENCES public.person(id);


--
-- Name: judgement fk_judgement_specimen_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.judgement
    ADD CONSTRAINT fk_judgement_specimen_id FOREIGN KEY (specimen_id) REFERENCES public.specimen(id);


--
-- Name: judgement fk_judgement_supersedes_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.judgement
    ADD CONSTRAINT fk_judgement_supersedes_id FOREIGN KEY (supersedes_id) REFERENCES public.judgement(id);


--
-- Name: log_entry fk_log_entry_person_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.log_entry
    ADD CONSTRAINT fk_log_entry_person_id FOREIGN KEY (person_id) REFERENCES public.person(id);


--
-- Name: log_entry fk_log_entry_supersedes_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.log_entry
    ADD CONSTRAINT fk_log_entry_supersedes_id FOREIGN KEY (supersedes_id) REFERENCES public.log_entry(id);


--
-- Name: log_entry fk_log_entry_unit_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.log_entry
    ADD CONSTRAINT fk_log_entry_unit_id FOREIGN KEY (unit_id) REFERENCES public.unit(id);


--
-- Name: model_feature fk_model_feature_feature_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.model_feature
    ADD CONSTRAINT fk_model_feature_feature_id FOREIGN KEY (feature_id) REFERENCES public.feature_worth(id);


--
-- Name: model_feature fk_model_feature_model_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.model_feature
    ADD CONSTRAINT fk_model_feature_model_id FOREIGN KEY (model_id) REFERENCES public.model(id);


--
-- Name: noise_reading fk_noise_reading_instrument_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.noise_reading
    ADD CONSTRAINT fk_noise_reading_instrument_id FOREIGN KEY (instrument_id) REFERENCES public.instrument(id);


--
-- Name: noise_reading fk_noise_reading_person_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.noise_reading
    ADD CONSTRAINT fk_noise_reading_person_id FOREIGN KEY (person_id) REFERENCES public.person(id);


--
-- Name: noise_reading fk_noise_reading_run_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.noise_reading
    ADD CONSTRAINT fk_noise_reading_run_id FOREIGN KEY (run_id) REFERENCES public.run(id);


--
-- Name: noise_reading fk_noise_reading_supersedes_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.noise_reading
    ADD CONSTRAINT fk_noise_reading_supersedes_id FOREIGN KEY (supersedes_id) REFERENCES public.noise_reading(id);


--
-- Name: noise_reading fk_noise_reading_unit_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.noise_reading
    ADD CONSTRAINT fk_noise_reading_unit_id FOREIGN KEY (unit_id) REFERENCES public.unit(id);


--
-- Name: photo fk_photo_person_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.photo
    ADD CONSTRAINT fk_photo_person_id FOREIGN KEY (person_id) REFERENCES public.person(id);


--
-- Name: photo fk_photo_sha256; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.photo
    ADD CONSTRAINT fk_photo_sha256 FOREIGN KEY (sha256) REFERENCES public.upload(sha256);


--
-- Name: pin fk_pin_job_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.pin
    ADD CONSTRAINT fk_pin_job_id FOREIGN KEY (job_id) REFERENCES public.job(id);


--
-- Name: pin fk_pin_person_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.pin
    ADD CONSTRAINT fk_pin_person_id FOREIGN KEY (person_id) REFERENCES public.person(id);


--
-- Name: pin fk_pin_study_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.pin
    ADD CONSTRAINT fk_pin_study_id FOREIGN KEY (study_id) REFERENCES public.study(id);


--
-- Name: print_line fk_print_line_arm_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.print_line
    ADD CONSTRAINT fk_print_line_arm_id FOREIGN KEY (arm_id) REFERENCES public.arm(id);


--
-- Name: print_line fk_print_line_artifact_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.print_line
    ADD CONSTRAINT fk_print_line_artifact_id FOREIGN KEY (artifact_id) REFERENCES public.artifact(id);


--
-- Name: print_line fk_print_line_second_spool_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.print_line
    ADD CONSTRAINT fk_print_line_second_spool_id FOREIGN KEY (second_spool_id) REFERENCES public.spool(id);


--
-- Name: print_line fk_print_line_spool_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.print_line
    ADD CONSTRAINT fk_print_line_spool_id FOREIGN KEY (spool_id) REFERENCES public.spool(id);


--
-- Name: protocol fk_protocol_frozen_by; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.protocol
    ADD CONSTRAINT fk_protocol_frozen_by FOREIGN KEY (frozen_by) REFERENCES public.person(id);


--
-- Name: protocol fk_protocol_study_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.protocol
    ADD CONSTRAINT fk_protocol_study_id FOREIGN KEY (study_id) REFERENCES public.study(id);


--
-- Name: protocol_template fk_protocol_template_person_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.protocol_template
    ADD CONSTRAINT fk_protocol_template_person_id FOREIGN KEY (person_id) REFERENCES public.person(id);


--
-- Name: reading fk_reading_feature_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.reading
    ADD CONSTRAINT fk_reading_feature_id FOREIGN KEY (feature_id) REFERENCES public.feature(id);


--
-- Name: reading fk_reading_instrument_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.reading
    ADD CONSTRAINT fk_reading_instrument_id FOREIGN KEY (instrument_id) REFERENCES public.instrument(id);


--
-- Name: reading fk_reading_person_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.reading
    ADD CONSTRAINT fk_reading_person_id FOREIGN KEY (person_id) REFERENCES public.person(id);


--
-- Name: reading fk_reading_specimen_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.reading
    ADD CONSTRAINT fk_reading_specimen_id FOREIGN KEY (specimen_id) REFERENCES public.specimen(id);


--
-- Name: reading fk_reading_supersedes_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.reading
    ADD CONSTRAINT fk_reading_supersedes_id FOREIGN KEY (supersedes_id) REFERENCES public.reading(id);


--
-- Name: rejection fk_rejection_person_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.rejection
    ADD CONSTRAINT fk_rejection_person_id FOREIGN KEY (person_id) REFERENCES public.person(id);


--
-- Name: rejection fk_rejection_specimen_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.rejection
    ADD CONSTRAINT fk_rejection_specimen_id FOREIGN KEY (specimen_id) REFERENCES public.specimen(id);


--
-- Name: rejection fk_rejection_supersedes_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.rejection
    ADD CONSTRAINT fk_rejection_supersedes_id FOREIGN KEY (supersedes_id) REFERENCES public.rejection(id);


--
-- Name: report_revision fk_report_revision_person_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.report_revision
    ADD CONSTRAINT fk_report_revision_person_id FOREIGN KEY (person_id) REFERENCES public.person(id);


--
-- Name: report_revision fk_report_revision_profile_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.report_revision
    ADD CONSTRAINT fk_report_revision_profile_id FOREIGN KEY (profile_id) REFERENCES public.buyer_profile(id);


--
-- Name: report_revision fk_report_revision_study_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.report_revision
    ADD CONSTRAINT fk_report_revision_study_id FOREIGN KEY (study_id) REFERENCES public.study(id);


--
-- Name: run fk_run_configuration_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.run
    ADD CONSTRAINT fk_run_configuration_id FOREIGN KEY (configuration_id) REFERENCES public.configuration(id);


--
-- Name: run_event fk_run_event_person_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.run_event
    ADD CONSTRAINT fk_run_event_person_id FOREIGN KEY (person_id) REFERENCES public.person(id);


--
-- Name: run_event fk_run_event_run_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.run_event
    ADD CONSTRAINT fk_run_event_run_id FOREIGN KEY (run_id) REFERENCES public.run(id);


--
-- Name: run_event fk_run_event_supersedes_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.run_event
    ADD CONSTRAINT fk_run_event_supersedes_id FOREIGN KEY (supersedes_id) REFERENCES public.run_event(id);


--
-- Name: run fk_run_instrument_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.run
    ADD CONSTRAINT fk_run_instrument_id FOREIGN KEY (instrument_id) REFERENCES public.instrument(id);


--
-- Name: run fk_run_job_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.run
    ADD CONSTRAINT fk_run_job_id FOREIGN KEY (job_id) REFERENCES public.job(id);


--
-- Name: run fk_run_person_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.run
    ADD CONSTRAINT fk_run_person_id FOREIGN KEY (person_id) REFERENCES public.person(id);


--
-- Name: run fk_run_sliced_file_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.run
    ADD CONSTRAINT fk_run_sliced_file_id FOREIGN KEY (sliced_file_id) REFERENCES public.sliced_file(id);


--
-- Name: run fk_run_trace_sha256; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.run
    ADD CONSTRAINT fk_run_trace_sha256 FOREIGN KEY (trace_sha256) REFERENCES public.upload(sha256);


--
-- Name: safety_check fk_safety_check_person_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.safety_check
    ADD CONSTRAINT fk_safety_check_person_id FOREIGN KEY (person_id) REFERENCES public.person(id);


--
-- Name: safety_check fk_safety_check_unit_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.safety_check
    ADD CONSTRAINT fk_safety_check_unit_id FOREIGN KEY (unit_id) REFERENCES public.unit(id);


--
-- Name: schedule fk_schedule_person_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.schedule
    ADD CONSTRAINT fk_schedule_person_id FOREIGN KEY (person_id) REFERENCES public.person(id);


--
-- Name: schedule fk_schedule_study_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.schedule
    ADD CONSTRAINT fk_schedule_study_id FOREIGN KEY (study_id) REFERENCES public.study(id);


--
-- Name: scheme fk_scheme_person_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.scheme
    ADD CONSTRAINT fk_scheme_person_id FOREIGN KEY (person_id) REFERENCES public.person(id);


--
-- Name: scheme fk_scheme_study_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.scheme
    ADD CONSTRAINT fk_scheme_study_id FOREIGN KEY (study_id) REFERENCES public.study(id);


--
-- Name: sign_in_link fk_sign_in_link_person_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.sign_in_link
    ADD CONSTRAINT fk_sign_in_link_person_id FOREIGN KEY (person_id) REFERENCES public.person(id);


--
-- Name: sign_in_session fk_sign_in_session_person_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.sign_in_session
    ADD CONSTRAINT fk_sign_in_session_person_id FOREIGN KEY (person_id) REFERENCES public.person(id);


--
-- Name: sliced_file fk_sliced_file_job_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.sliced_file
    ADD CONSTRAINT fk_sliced_file_job_id FOREIGN KEY (job_id) REFERENCES public.job(id);


--
-- Name: sliced_file fk_sliced_file_person_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.sliced_file
    ADD CONSTRAINT fk_sliced_file_person_id FOREIGN KEY (person_id) REFERENCES public.person(id);


--
-- Name: sliced_file fk_sliced_file_sha256; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.sliced_file
    ADD CONSTRAINT fk_sliced_file_sha256 FOREIGN KEY (sha256) REFERENCES public.upload(sha256);


--
-- Name: sliced_file fk_sliced_file_withdrawn_by; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.sliced_file
    ADD CONSTRAINT fk_sliced_file_withdrawn_by FOREIGN KEY (withdrawn_by) REFERENCES public.person(id);


--
-- Name: specimen fk_specimen_run_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.specimen
    ADD CONSTRAINT fk_specimen_run_id FOREIGN KEY (run_id) REFERENCES public.run(id);


--
-- Name: specimen fk_specimen_study_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.specimen
    ADD CONSTRAINT fk_specimen_study_id FOREIGN KEY (study_id) REFERENCES public.study(id);


--
-- Name: spool_entry fk_spool_entry_person_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.spool_entry
    ADD CONSTRAINT fk_spool_entry_person_id FOREIGN KEY (person_id) REFERENCES public.person(id);


--
-- Name: spool_entry fk_spool_entry_spool_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.spool_entry
    ADD CONSTRAINT fk_spool_entry_spool_id FOREIGN KEY (spool_id) REFERENCES public.spool(id);


--
-- Name: study_unit fk_study_unit_study_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.study_unit
    ADD CONSTRAINT fk_study_unit_study_id FOREIGN KEY (study_id) REFERENCES public.study(id);


--
-- Name: study_unit fk_study_unit_unit_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.study_unit
    ADD CONSTRAINT fk_study_unit_unit_id FOREIGN KEY (unit_id) REFERENCES public.unit(id);


--
-- Name: unit_measure fk_unit_measure_claim_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.unit_measure
    ADD CONSTRAINT fk_unit_measure_claim_id FOREIGN KEY (claim_id) REFERENCES public.claim(id);


--
-- Name: unit_measure fk_unit_measure_configuration_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.unit_measure
    ADD CONSTRAINT fk_unit_measure_configuration_id FOREIGN KEY (configuration_id) REFERENCES public.configuration(id);


--
-- Name: unit_measure fk_unit_measure_instrument_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.unit_measure
    ADD CONSTRAINT fk_unit_measure_instrument_id FOREIGN KEY (instrument_id) REFERENCES public.instrument(id);


--
-- Name: unit_measure fk_unit_measure_person_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.unit_measure
    ADD CONSTRAINT fk_unit_measure_person_id FOREIGN KEY (person_id) REFERENCES public.person(id);


--
-- Name: unit_measure fk_unit_measure_supersedes_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.unit_measure
    ADD CONSTRAINT fk_unit_measure_supersedes_id FOREIGN KEY (supersedes_id) REFERENCES public.unit_measure(id);


--
-- Name: unit_measure fk_unit_measure_unit_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.unit_measure
    ADD CONSTRAINT fk_unit_measure_unit_id FOREIGN KEY (unit_id) REFERENCES public.unit(id);


--
-- Name: unit fk_unit_model_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.unit
    ADD CONSTRAINT fk_unit_model_id FOREIGN KEY (model_id) REFERENCES public.model(id);


--
-- Name: unit_price fk_unit_price_person_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.unit_price
    ADD CONSTRAINT fk_unit_price_person_id FOREIGN KEY (person_id) REFERENCES public.person(id);


--
-- Name: unit_price fk_unit_price_study_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.unit_price
    ADD CONSTRAINT fk_unit_price_study_id FOREIGN KEY (study_id) REFERENCES public.study(id);


--
-- Name: unit_price fk_unit_price_unit_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.unit_price
    ADD CONSTRAINT fk_unit_price_unit_id FOREIGN KEY (unit_id) REFERENCES public.unit(id);


--
-- Name: zero_check fk_zero_check_instrument_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.zero_check
    ADD CONSTRAINT fk_zero_check_instrument_id FOREIGN KEY (instrument_id) REFERENCES public.instrument(id);


--
-- Name: zero_check fk_zero_check_person_id; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.zero_check
    ADD CONSTRAINT fk_zero_check_person_id FOREIGN KEY (person_id) REFERENCES public.person(id);


--
-- Name: procrastinate_events procrastinate_events_job_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.procrastinate_events
    ADD CONSTRAINT procrastinate_events_job_id_fkey FOREIGN KEY (job_id) REFERENCES public.procrastinate_jobs(id) ON DELETE CASCADE;


--
-- Name: procrastinate_jobs procrastinate_jobs_worker_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.procrastinate_jobs
    ADD CONSTRAINT procrastinate_jobs_worker_id_fkey FOREIGN KEY (worker_id) REFERENCES public.procrastinate_workers(id) ON DELETE SET NULL;


--
-- Name: procrastinate_periodic_defers procrastinate_periodic_defers_job_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.procrastinate_periodic_defers
    ADD CONSTRAINT procrastinate_periodic_defers_job_id_fkey FOREIGN KEY (job_id) REFERENCES public.procrastinate_jobs(id);


--
-- PostgreSQL database dump complete
--

\unrestrict ufYHD3ym7YPSmziyam9ZDBTzZphntiBX0wO9AcMblPvVzRCwdNDzGp6wH1S7j52

