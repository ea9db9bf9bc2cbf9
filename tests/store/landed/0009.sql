--
-- PostgreSQL database dump
--

\restrict c4yb8SOeXjkfddZTVfsM3GW42McV0a9xrD4FpWDG6G5AhUrt1ZFTbGk3r7D3cFk

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
    CONSTRAINT ck_reading_correction_has_reason CHECK (((supersedes_id IS NULL) = (reason IS NULL))),
    CONSTRAINT ck_reading_repeat_range CHECK (((repeat >= 1) AND (repeat <= 10))),
    CONSTRAINT ck_reading_value_bounded CHECK (((value > ('-1000000000'::numeric)::double precision) AND (value < ('1000000000'::numeric)::double precision))),
    CONSTRAINT ck_reading_value_or_reason CHECK (((value IS NULL) <> (cannot_because IS NULL)))
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
    CONSTRAINT ck_run_attempt_positive CHECK ((attempt > 0)),
    CONSTRAINT ck_run_ended_has_outcome CHECK (((ended_at IS NULL) = (outcome IS NULL))),
    CONSTRAINT ck_run_ends_after_start CHECK (((ended_at IS NULL) OR (ended_at >= started_at))),
    CONSTRAINT ck_run_energy_has_source CHECK (((energy_kwh IS NULL) = (energy_from IS NULL))),
    CONSTRAINT ck_run_energy_range CHECK (((energy_kwh >= (0)::double precision) AND (energy_low_kwh <= energy_high_kwh))),
    CONSTRAINT ck_run_failure_has_cause CHECK ((((outcome)::text = 'failed'::text) = (cause IS NOT NULL))),
    CONSTRAINT ck_run_layer_range CHECK (((failed_at_layer >= 0) AND (failed_at_layer <= 100000))),
    CONSTRAINT ck_run_percent_range CHECK (((failed_at_percent >= (0)::double precision) AND (failed_at_percent <= (100)::double precision))),
    CONSTRAINT ck_run_says_what_changed CHECK (((attempt = 1) OR (length((changed)::text) > 0)))
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
    id uuid NOT NULL
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
0009
\.


--
-- Data for Name: arm; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.arm (protocol_id, "position", name, slicing, tuning, conditions, id) FROM stdin;
e94ce1db-3aca-462b-9727-7b33618d9570	0	Stock	common	stock	{"bed_c": 60, "walls": 2, "material": null, "nozzle_c": 215, "nozzle_mm": 0.4, "temperatures": [], "infill_percent": 15, "layer_height_mm": 0.2}	82d8db1f-43b4-44bd-b957-9ec41be2c8a8
\.


--
-- Data for Name: artifact; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.artifact (code, number, name, definition, id, mesh_sha256, licence, source, added_at) FROM stdin;
SB	1	Step block	{"sizes": {}, "built_in": "SB", "shelf_version": 1}	88773748-25cc-4ace-b109-f53c3cd3c23f	\N			2026-11-27 01:40:16.542858+00
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
69181110-dda1-41c6-91b3-af63d5290220	Any buyer	0	{}	1	1ae764f2-8e21-4b13-80e0-16605015508c
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
\.


--
-- Data for Name: configuration; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.configuration (unit_id, number, nozzle_mm, firmware, plate, profile_set, reason, opened_at, id, parts, accessories) FROM stdin;
c22fddaf-fa40-4985-81b3-63b6564943cd	1	0.4	as delivered	as delivered	maker's stock	as delivered	2026-11-27 01:40:17.119104+00	a0c27015-0b1e-49fc-831c-7fa6f8ef5f29		
d1185b34-6599-4f0f-8f22-7735dabeaa0d	1	0.4	as delivered	as delivered	maker's stock	as delivered	2026-11-27 01:40:17.12718+00	6002caa3-88a2-400d-8551-a930549f165f		
\.


--
-- Data for Name: criterion; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.criterion (scheme_id, "position", code, weight, shape, id, points) FROM stdin;
dfb50c14-2ee0-44c0-8c40-9fcc6f283da3	0	off.mean	12.5	linear	a98b630b-4f63-4b22-8312-12054c278d73	[[0.2, 0], [0.02, 100]]
dfb50c14-2ee0-44c0-8c40-9fcc6f283da3	1	repeatability	12.5	linear	e2131ac1-fb3b-43c0-abab-7910e83f3b9a	[[0.08, 0], [0.01, 100]]
dfb50c14-2ee0-44c0-8c40-9fcc6f283da3	2	defects	12.5	linear	7b06c11a-c864-499d-a365-9fc533115eae	[[50, 0], [100, 100]]
dfb50c14-2ee0-44c0-8c40-9fcc6f283da3	3	success	12.5	linear	726bb46f-940f-442d-8622-c89eca668156	[[0.4, 0], [1.0, 100]]
dfb50c14-2ee0-44c0-8c40-9fcc6f283da3	4	time	12.5	linear	dc181a16-0968-484e-97df-18d7ded511e6	[[2.0, 0], [0.5, 100]]
dfb50c14-2ee0-44c0-8c40-9fcc6f283da3	5	cost	12.5	linear	190aa693-ac2c-452a-8ca7-80ca73a326ee	[[6.0, 0], [1.0, 100]]
dfb50c14-2ee0-44c0-8c40-9fcc6f283da3	6	energy	12.5	linear	6bf6f903-ef74-4451-a511-b2524718dfb9	[[0.3, 0], [0.05, 100]]
dfb50c14-2ee0-44c0-8c40-9fcc6f283da3	7	noise	12.5	linear	ac028f1b-f663-40f8-916f-0ec0e680d261	[[65, 0], [40, 100]]
\.


--
-- Data for Name: defect_score; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.defect_score (specimen_id, defect, severity, person_id, scored_at, recorded_at, supersedes_id, reason, id, after_reveal) FROM stdin;
cafd02ba-2045-49f5-a7f3-f1ed0cd04647	stringing	1	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.27019+00	2026-11-27 01:40:36.271392+00	\N	\N	5d9dad36-d6e1-41b3-bb31-56e0ccf64c26	\N
cafd02ba-2045-49f5-a7f3-f1ed0cd04647	blobs	1	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.29675+00	2026-11-27 01:40:36.297279+00	\N	\N	3c2bf0a0-bb19-4e18-970d-e1bd142747ba	\N
cafd02ba-2045-49f5-a7f3-f1ed0cd04647	shift	1	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.316347+00	2026-11-27 01:40:36.316863+00	\N	\N	2757bf24-ee5f-4813-93e7-401d589e0bf0	\N
cafd02ba-2045-49f5-a7f3-f1ed0cd04647	warp	1	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.336184+00	2026-11-27 01:40:36.336676+00	\N	\N	100714e5-6a3c-481d-97be-91250ac05965	\N
cafd02ba-2045-49f5-a7f3-f1ed0cd04647	gaps	1	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.355298+00	2026-11-27 01:40:36.35579+00	\N	\N	0dfcd992-680a-4c11-8f7c-8dab404b38fd	\N
cafd02ba-2045-49f5-a7f3-f1ed0cd04647	ringing	1	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.374653+00	2026-11-27 01:40:36.375164+00	\N	\N	4d72595b-0aaa-4986-8dfe-a028d84b4fe5	\N
cafd02ba-2045-49f5-a7f3-f1ed0cd04647	foot	1	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.393785+00	2026-11-27 01:40:36.394319+00	\N	\N	f4aee842-450b-48ed-910d-2a40768a1cb6	\N
cafd02ba-2045-49f5-a7f3-f1ed0cd04647	skins	1	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.413671+00	2026-11-27 01:40:36.414796+00	\N	\N	dca99acd-8a00-4739-a646-a81bf6b14b4c	\N
7d2ebeaa-b7fd-46c9-af48-c12e8619e7d5	stringing	1	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.46788+00	2026-11-27 01:40:36.4684+00	\N	\N	56ff5d10-5376-4d57-a701-81eebaa258bc	\N
7d2ebeaa-b7fd-46c9-af48-c12e8619e7d5	blobs	1	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.502419+00	2026-11-27 01:40:36.502964+00	\N	\N	60550eee-6594-437b-b307-5c4b75a76db5	\N
7d2ebeaa-b7fd-46c9-af48-c12e8619e7d5	shift	1	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.546258+00	2026-11-27 01:40:36.546788+00	\N	\N	8efd7eab-b16b-4726-b376-b5470f507e26	\N
7d2ebeaa-b7fd-46c9-af48-c12e8619e7d5	warp	1	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.582177+00	2026-11-27 01:40:36.582759+00	\N	\N	1d3054c9-9664-43fa-a3bc-b70c796d26da	\N
7d2ebeaa-b7fd-46c9-af48-c12e8619e7d5	gaps	1	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.618165+00	2026-11-27 01:40:36.618735+00	\N	\N	0da4256e-21a1-4c15-b722-58fa698e8cfe	\N
7d2ebeaa-b7fd-46c9-af48-c12e8619e7d5	ringing	1	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.652798+00	2026-11-27 01:40:36.653398+00	\N	\N	ce00aa17-8c04-4dd7-83f1-62f189ab0430	\N
7d2ebeaa-b7fd-46c9-af48-c12e8619e7d5	foot	1	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.690149+00	2026-11-27 01:40:36.690675+00	\N	\N	b8cda7a8-e969-4b34-bbb7-fa4965838e85	\N
7d2ebeaa-b7fd-46c9-af48-c12e8619e7d5	skins	1	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.724058+00	2026-11-27 01:40:36.724616+00	\N	\N	445a2bca-e92e-4631-a022-49058b20db2a	\N
344588d9-8112-4367-81c6-17aa04f2de37	stringing	1	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.802169+00	2026-11-27 01:40:36.802767+00	\N	\N	881520bf-532c-48b7-9e24-4b126a3460f7	\N
344588d9-8112-4367-81c6-17aa04f2de37	blobs	1	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.842182+00	2026-11-27 01:40:36.842792+00	\N	\N	8ce57343-9f44-4abd-a09d-73d8d2529ef8	\N
344588d9-8112-4367-81c6-17aa04f2de37	shift	1	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.886172+00	2026-11-27 01:40:36.886792+00	\N	\N	07e6ff9d-6309-442c-89c7-1ce5d72dc118	\N
344588d9-8112-4367-81c6-17aa04f2de37	warp	1	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.921004+00	2026-11-27 01:40:36.921596+00	\N	\N	e6868731-7617-4e13-b4d3-6337f231e86e	\N
344588d9-8112-4367-81c6-17aa04f2de37	gaps	1	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.959427+00	2026-11-27 01:40:36.960004+00	\N	\N	3346ca2f-0de9-456e-8717-ef5057eccc95	\N
344588d9-8112-4367-81c6-17aa04f2de37	ringing	1	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.999984+00	2026-11-27 01:40:37.000636+00	\N	\N	082ca021-6605-41fb-be6b-0cc490697e8d	\N
344588d9-8112-4367-81c6-17aa04f2de37	foot	1	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:37.029139+00	2026-11-27 01:40:37.029671+00	\N	\N	73f29e80-5637-4854-a048-c976a34389ab	\N
344588d9-8112-4367-81c6-17aa04f2de37	skins	1	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:37.050438+00	2026-11-27 01:40:37.050983+00	\N	\N	4a0b4f70-3efd-4b16-a692-00903952673a	\N
4a5aa818-34eb-4fe9-804d-bba73c91341b	stringing	1	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:37.092644+00	2026-11-27 01:40:37.0932+00	\N	\N	71c96155-5cfd-4d5d-bf0e-78b405ab338d	\N
4a5aa818-34eb-4fe9-804d-bba73c91341b	blobs	1	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:37.113158+00	2026-11-27 01:40:37.113675+00	\N	\N	4b5676b1-ba95-4108-9418-413680e517f1	\N
4a5aa818-34eb-4fe9-804d-bba73c91341b	shift	1	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:37.133485+00	2026-11-27 01:40:37.134041+00	\N	\N	7e0d0576-a81d-4efe-a5a6-9535f9cb6869	\N
4a5aa818-34eb-4fe9-804d-bba73c91341b	warp	1	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:37.153766+00	2026-11-27 01:40:37.154305+00	\N	\N	e2f14776-872f-4a2e-b813-4da805b67b56	\N
4a5aa818-34eb-4fe9-804d-bba73c91341b	gaps	1	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:37.173587+00	2026-11-27 01:40:37.174116+00	\N	\N	b5ff6074-d0b0-4b53-b5d9-1e99f5054656	\N
4a5aa818-34eb-4fe9-804d-bba73c91341b	ringing	1	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:37.193304+00	2026-11-27 01:40:37.193811+00	\N	\N	ed915f60-1a50-4d85-9e69-8b881527f63b	\N
4a5aa818-34eb-4fe9-804d-bba73c91341b	foot	1	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:37.212898+00	2026-11-27 01:40:37.213443+00	\N	\N	0ca3001b-d637-4388-a5b1-3b93d245af2e	\N
4a5aa818-34eb-4fe9-804d-bba73c91341b	skins	1	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:37.232718+00	2026-11-27 01:40:37.233236+00	\N	\N	c096389c-917e-4b6c-8313-a30a86ae55c9	\N
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
27af0007-c68a-427b-aac0-0cd36fa42a99	EUR	CHF	0.94	2026-11-02	bank	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:38.209575+00
\.


--
-- Data for Name: feature; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.feature (artifact_id, "position", code, axis, sense, nominal, method, id, kind, unit, ends) FROM stdin;
88773748-25cc-4ace-b109-f53c3cd3c23f	0	X1	X	1	40	Jaws across the left and right faces, one millimetre below the upper edge.	b236fb7d-1ee9-44eb-bbfe-1a997174466f	length	mm	[[-20.0, -19.99, 9.0], [20.0, -19.99, 9.0]]
88773748-25cc-4ace-b109-f53c3cd3c23f	1	X2	X	1	30	Jaws across the left and right faces, one millimetre below the upper edge.	1d4a11ae-d02f-4c4b-9877-2691bf16086e	length	mm	[[-15.0, -14.99, 24.0], [15.0, -14.99, 24.0]]
88773748-25cc-4ace-b109-f53c3cd3c23f	2	X3	X	1	17	Jaws across the left and right faces, one millimetre below the upper edge.	3471588c-35c6-4bb6-bfc5-4fa00a1c0cff	length	mm	[[-8.5, -8.49, 44.0], [8.5, -8.49, 44.0]]
88773748-25cc-4ace-b109-f53c3cd3c23f	3	Y1	Y	1	40	Jaws across the front and back faces, one millimetre below the upper edge.	c7987160-817a-4396-ab80-fbf5e10096e4	length	mm	[[19.99, -20.0, 9.0], [19.99, 20.0, 9.0]]
88773748-25cc-4ace-b109-f53c3cd3c23f	4	Y2	Y	1	30	Jaws across the front and back faces, one millimetre below the upper edge.	6a30c4a9-4227-4ab7-80f6-c8c21bc214b5	length	mm	[[14.99, -15.0, 24.0], [14.99, 15.0, 24.0]]
88773748-25cc-4ace-b109-f53c3cd3c23f	5	Y3	Y	1	17	Jaws across the front and back faces, one millimetre below the upper edge.	c7b11660-9aff-4a0b-ba68-102a1ccd391a	length	mm	[[8.49, -8.5, 44.0], [8.49, 8.5, 44.0]]
88773748-25cc-4ace-b109-f53c3cd3c23f	6	Z1	Z	1	10	Depth rod or jaws from the base to this step.	866b6e5d-83a3-4862-b574-4bb888c7eab7	length	mm	[[19.99, -19.99, 0.0], [19.99, -19.99, 10.0]]
88773748-25cc-4ace-b109-f53c3cd3c23f	7	Z2	Z	1	25	Depth rod or jaws from the base to this step.	cc18dad8-e932-4920-bb1c-3380d3780ac8	length	mm	[[14.99, -14.99, 0.0], [14.99, -14.99, 25.0]]
88773748-25cc-4ace-b109-f53c3cd3c23f	8	Z3	Z	1	45	Depth rod or jaws from the base to this step.	549f0890-c8b3-40ca-bc0a-78a5e288a24d	length	mm	[[8.49, -8.49, 0.0], [8.49, -8.49, 45.0]]
88773748-25cc-4ace-b109-f53c3cd3c23f	9	DX	X	-1	8	Inside jaws in the hole, along X. Take the largest reading.	e3292122-27fb-4d8f-a852-d69422909db7	length	mm	[[-4.0, 0.0, 44.99], [4.0, 0.0, 44.99]]
88773748-25cc-4ace-b109-f53c3cd3c23f	10	DY	Y	-1	8	Inside jaws in the hole, along Y. Take the largest reading.	94c85ed0-294b-49c4-8d78-2a67aa437b5e	length	mm	[[0.0, -4.0, 44.99], [0.0, 4.0, 44.99]]
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
1ae764f2-8e21-4b13-80e0-16605015508c	safety	0		89670802-95b7-477a-9cef-70428bdc91e1	f
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
cafd02ba-2045-49f5-a7f3-f1ed0cd04647	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.435259+00	b43e2c11-3197-4b94-b53a-f81c918f3b9a
7d2ebeaa-b7fd-46c9-af48-c12e8619e7d5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.765618+00	e627685b-4991-43aa-9a4d-3fd21daa22b8
344588d9-8112-4367-81c6-17aa04f2de37	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:37.071332+00	7db439b4-39f2-491a-b522-1cc5eb22637b
4a5aa818-34eb-4fe9-804d-bba73c91341b	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:37.258112+00	3c14c775-38b0-4218-b533-1956a4b637a9
\.


--
-- Data for Name: instrument; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.instrument (code, kind, unit, resolution, u_calibration, repeatability, calibrated_on, version, id, certificate, valid_days) FROM stdin;
C-6918	caliper	mm	0.01	0.01	0.01	\N	1	2eb970fa-7c9a-43b0-8a67-55ec74df28e5		365
\.


--
-- Data for Name: job; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.job (study_id, unit_id, artifact_id, spool_id, copy, "position", id, second_spool_id, arm_id) FROM stdin;
69181110-dda1-41c6-91b3-af63d5290220	d1185b34-6599-4f0f-8f22-7735dabeaa0d	88773748-25cc-4ace-b109-f53c3cd3c23f	630c4fe8-e7b3-42e8-9def-b678bdc7bf86	1	0	ff46ca88-b0d5-46ba-ad0f-dadfb95a7875	\N	82d8db1f-43b4-44bd-b957-9ec41be2c8a8
69181110-dda1-41c6-91b3-af63d5290220	c22fddaf-fa40-4985-81b3-63b6564943cd	88773748-25cc-4ace-b109-f53c3cd3c23f	630c4fe8-e7b3-42e8-9def-b678bdc7bf86	1	1	d3f1c4af-9aac-4c71-a904-9acce0d1818a	\N	82d8db1f-43b4-44bd-b957-9ec41be2c8a8
69181110-dda1-41c6-91b3-af63d5290220	d1185b34-6599-4f0f-8f22-7735dabeaa0d	88773748-25cc-4ace-b109-f53c3cd3c23f	630c4fe8-e7b3-42e8-9def-b678bdc7bf86	2	2	194fb297-c838-42f6-bab2-cf72282020ed	\N	82d8db1f-43b4-44bd-b957-9ec41be2c8a8
69181110-dda1-41c6-91b3-af63d5290220	c22fddaf-fa40-4985-81b3-63b6564943cd	88773748-25cc-4ace-b109-f53c3cd3c23f	630c4fe8-e7b3-42e8-9def-b678bdc7bf86	2	3	cd99cdd7-9399-452d-93f7-f756d32fc0c6	\N	82d8db1f-43b4-44bd-b957-9ec41be2c8a8
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
Mesa	220	220	250	\N	1	f	1	0842ed3c-ef9f-4d20-b070-c07465c0d7b8	{"board": "", "hotend": "", "motion": "", "peak_w": null, "extruder": "", "is_round": false, "bed_max_c": null, "keep_outs": [], "top_share": 1.0, "weight_kg": null, "flow_mm3_s": null, "corner_mm_s": null, "nozzle_max_c": null, "top_speed_mm_s": null, "acceleration_mm_s2": null}	EUR
Sparrow	220	220	250	\N	1	f	1	c1fc4032-5d7a-4d61-80a4-680ceccc31e8	{"board": "", "hotend": "", "motion": "", "peak_w": null, "extruder": "", "is_round": false, "bed_max_c": null, "keep_outs": [], "top_share": 1.0, "weight_kg": null, "flow_mm3_s": null, "corner_mm_s": null, "nozzle_max_c": null, "top_speed_mm_s": null, "acceleration_mm_s2": null}	EUR
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
f57c4cf8-f401-426a-ab35-537b98be7bf4	50	20	1	t	\N	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-20 06:45:17.519447+00	2026-11-27 01:40:34.462274+00	\N	\N	d318c741-b0fc-4443-b408-81e320175237	printing	\N	\N
e1976b55-abc4-4c83-a60e-8086b86bedb6	50	20	1	t	\N	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-20 11:45:17.519447+00	2026-11-27 01:40:34.878196+00	\N	\N	e943a092-bd89-4eef-848b-815914170cbb	printing	\N	\N
494821c6-a594-4a82-a53f-60caf9cfe1a3	50	20	1	t	\N	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-20 16:45:17.519447+00	2026-11-27 01:40:35.350694+00	\N	\N	2d9d0055-a8b5-4dcf-941f-ad983b19dce6	printing	\N	\N
d671b678-1004-4e59-a0ed-32fbaade828b	50	20	1	t	\N	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-20 21:45:17.519447+00	2026-11-27 01:40:35.889883+00	\N	\N	d6dada63-7261-46f7-8dcc-4f11043fa639	printing	\N	\N
\.


--
-- Data for Name: person; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.person (name, email, role, password_hash, active, created_at, version, id) FROM stdin;
Owner	owner@bench.example	owner	$argon2id$v=19$m=8,t=1,p=1$7lqBqCqkFlZ7lRnipFUbvw$wRhucA+gIareujqg2bKn5wRgs88o2N8Q2hQSHsgNPrw	t	2026-11-27 01:40:15.308589+00	1	406c3ee6-bbd2-45c7-852c-8b85ba5cdfb9
Reviewer	reviewer@bench.example	reviewer	$argon2id$v=19$m=8,t=1,p=1$7lqBqCqkFlZ7lRnipFUbvw$wRhucA+gIareujqg2bKn5wRgs88o2N8Q2hQSHsgNPrw	t	2026-11-27 01:40:15.502148+00	1	c48c296a-4af4-4f4e-a0e4-9c600324754d
Rater	rater@bench.example	rater	$argon2id$v=19$m=8,t=1,p=1$7lqBqCqkFlZ7lRnipFUbvw$wRhucA+gIareujqg2bKn5wRgs88o2N8Q2hQSHsgNPrw	t	2026-11-27 01:40:15.729493+00	1	2f83d93f-ea1f-4d7b-9f67-2f3329d63884
Reader	reader@bench.example	reader	$argon2id$v=19$m=8,t=1,p=1$7lqBqCqkFlZ7lRnipFUbvw$wRhucA+gIareujqg2bKn5wRgs88o2N8Q2hQSHsgNPrw	t	2026-11-27 01:40:15.959962+00	1	e470a0bc-3d14-4eea-a168-beb234026760
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
82d8db1f-43b4-44bd-b957-9ec41be2c8a8	0	88773748-25cc-4ace-b109-f53c3cd3c23f	630c4fe8-e7b3-42e8-9def-b678bdc7bf86	\N	2	e4b764a6-2720-41a1-901a-15a2fbbf86ca
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
69181110-dda1-41c6-91b3-af63d5290220	1	1	{"drying": "dried before use", "pieces": "isolating", "material": "same spool", "unattended": "after checks", "most_attempts": 3, "counted_causes": ["machine", "profile", "unknown"]}	2026-11-18 01:40:17.223638+00	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:17.241874+00	3	e94ce1db-3aca-462b-9727-7b33618d9570
\.


--
-- Data for Name: protocol_template; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.protocol_template (name, about, content, person_id, saved_at, version, id) FROM stdin;
\.


--
-- Data for Name: reading; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.reading (specimen_id, feature_id, repeat, value, cannot_because, instrument_id, person_id, taken_at, recorded_at, supersedes_id, reason, id, after_reveal, note) FROM stdin;
cafd02ba-2045-49f5-a7f3-f1ed0cd04647	b236fb7d-1ee9-44eb-bbfe-1a997174466f	1	40.05	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.111039+00	2026-11-27 01:40:36.114213+00	\N	\N	7dda9e60-2ef0-4ab5-aa58-75eee22f5b42	\N	\N
cafd02ba-2045-49f5-a7f3-f1ed0cd04647	1d4a11ae-d02f-4c4b-9877-2691bf16086e	1	30.05	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.11118+00	2026-11-27 01:40:36.114954+00	\N	\N	930718f5-ba55-4994-b125-72e88b1bd479	\N	\N
cafd02ba-2045-49f5-a7f3-f1ed0cd04647	3471588c-35c6-4bb6-bfc5-4fa00a1c0cff	1	17.05	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.111245+00	2026-11-27 01:40:36.115137+00	\N	\N	11ae0258-5a04-411d-8bdd-9cd74cfadeec	\N	\N
cafd02ba-2045-49f5-a7f3-f1ed0cd04647	c7987160-817a-4396-ab80-fbf5e10096e4	1	40.05	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.111304+00	2026-11-27 01:40:36.115263+00	\N	\N	f8cfcf4f-1c0f-4e26-837a-8733fe0db153	\N	\N
cafd02ba-2045-49f5-a7f3-f1ed0cd04647	6a30c4a9-4227-4ab7-80f6-c8c21bc214b5	1	30.05	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.111365+00	2026-11-27 01:40:36.115371+00	\N	\N	8c9f0fcf-bced-4395-8d89-871afe8a5c50	\N	\N
cafd02ba-2045-49f5-a7f3-f1ed0cd04647	c7b11660-9aff-4a0b-ba68-102a1ccd391a	1	17.05	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.111424+00	2026-11-27 01:40:36.115475+00	\N	\N	e7cfd29d-116d-45d2-877f-dff60f383e90	\N	\N
cafd02ba-2045-49f5-a7f3-f1ed0cd04647	866b6e5d-83a3-4862-b574-4bb888c7eab7	1	10.05	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.111482+00	2026-11-27 01:40:36.115583+00	\N	\N	fdb756f5-67e0-490c-9af3-53835c56c52d	\N	\N
cafd02ba-2045-49f5-a7f3-f1ed0cd04647	cc18dad8-e932-4920-bb1c-3380d3780ac8	1	25.05	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.111553+00	2026-11-27 01:40:36.115614+00	\N	\N	9f55af84-cdeb-428c-ac07-50a9d4ce34ec	\N	\N
cafd02ba-2045-49f5-a7f3-f1ed0cd04647	549f0890-c8b3-40ca-bc0a-78a5e288a24d	1	45.05	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.111615+00	2026-11-27 01:40:36.115641+00	\N	\N	d102585d-71f8-41e8-bff2-ebe68184b1bd	\N	\N
cafd02ba-2045-49f5-a7f3-f1ed0cd04647	e3292122-27fb-4d8f-a852-d69422909db7	1	8.05	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.111673+00	2026-11-27 01:40:36.115666+00	\N	\N	884ecf59-e306-4427-a0dd-d664c0324db2	\N	\N
cafd02ba-2045-49f5-a7f3-f1ed0cd04647	94c85ed0-294b-49c4-8d78-2a67aa437b5e	1	8.05	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.111731+00	2026-11-27 01:40:36.11569+00	\N	\N	e43ca9a8-a553-4690-a0e2-c9c9c91dfbe1	\N	\N
7d2ebeaa-b7fd-46c9-af48-c12e8619e7d5	b236fb7d-1ee9-44eb-bbfe-1a997174466f	1	40.12	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.147293+00	2026-11-27 01:40:36.150807+00	\N	\N	5bd77531-725a-4e24-be4c-cd9ba84fab6a	\N	\N
7d2ebeaa-b7fd-46c9-af48-c12e8619e7d5	1d4a11ae-d02f-4c4b-9877-2691bf16086e	1	30.12	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.147411+00	2026-11-27 01:40:36.150953+00	\N	\N	d527fffc-6a64-4db8-8490-eb994450e548	\N	\N
7d2ebeaa-b7fd-46c9-af48-c12e8619e7d5	3471588c-35c6-4bb6-bfc5-4fa00a1c0cff	1	17.12	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.147473+00	2026-11-27 01:40:36.150989+00	\N	\N	c2e4b222-1c21-4b11-83f9-ec7f43ef8648	\N	\N
7d2ebeaa-b7fd-46c9-af48-c12e8619e7d5	c7987160-817a-4396-ab80-fbf5e10096e4	1	40.12	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.147529+00	2026-11-27 01:40:36.151028+00	\N	\N	a8285957-e487-411c-bea3-8ab7097c9a5e	\N	\N
7d2ebeaa-b7fd-46c9-af48-c12e8619e7d5	6a30c4a9-4227-4ab7-80f6-c8c21bc214b5	1	30.12	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.147586+00	2026-11-27 01:40:36.151055+00	\N	\N	78b9b78e-8039-4815-ba5c-703b9395d635	\N	\N
7d2ebeaa-b7fd-46c9-af48-c12e8619e7d5	c7b11660-9aff-4a0b-ba68-102a1ccd391a	1	17.12	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.147641+00	2026-11-27 01:40:36.15109+00	\N	\N	797837ff-ea76-4ac9-90b1-092eb5112917	\N	\N
7d2ebeaa-b7fd-46c9-af48-c12e8619e7d5	866b6e5d-83a3-4862-b574-4bb888c7eab7	1	10.12	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.147697+00	2026-11-27 01:40:36.151116+00	\N	\N	da302d28-d7ad-41d6-9945-6a1d6d0457b4	\N	\N
7d2ebeaa-b7fd-46c9-af48-c12e8619e7d5	cc18dad8-e932-4920-bb1c-3380d3780ac8	1	25.12	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.147753+00	2026-11-27 01:40:36.15114+00	\N	\N	266d4dd3-c893-4d20-8bb4-e375a7758f7a	\N	\N
7d2ebeaa-b7fd-46c9-af48-c12e8619e7d5	549f0890-c8b3-40ca-bc0a-78a5e288a24d	1	45.12	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.147809+00	2026-11-27 01:40:36.151165+00	\N	\N	992b640a-a4f4-4a4e-afc5-4a3c76738b60	\N	\N
7d2ebeaa-b7fd-46c9-af48-c12e8619e7d5	e3292122-27fb-4d8f-a852-d69422909db7	1	8.12	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.147877+00	2026-11-27 01:40:36.151189+00	\N	\N	469cda12-f354-4605-9c86-72bd93bd937d	\N	\N
7d2ebeaa-b7fd-46c9-af48-c12e8619e7d5	94c85ed0-294b-49c4-8d78-2a67aa437b5e	1	8.12	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.147935+00	2026-11-27 01:40:36.151213+00	\N	\N	3a3d05ab-d8a1-4251-9bee-05be8bf01482	\N	\N
344588d9-8112-4367-81c6-17aa04f2de37	b236fb7d-1ee9-44eb-bbfe-1a997174466f	1	40.12	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.180854+00	2026-11-27 01:40:36.183287+00	\N	\N	6a14e24c-f2a2-4f5b-84fa-401bdb911e9f	\N	\N
344588d9-8112-4367-81c6-17aa04f2de37	1d4a11ae-d02f-4c4b-9877-2691bf16086e	1	30.12	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.18097+00	2026-11-27 01:40:36.183422+00	\N	\N	cd1d4082-8998-4bdb-b381-d8dca1bb913b	\N	\N
344588d9-8112-4367-81c6-17aa04f2de37	3471588c-35c6-4bb6-bfc5-4fa00a1c0cff	1	17.12	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.181031+00	2026-11-27 01:40:36.183459+00	\N	\N	5aecb7be-23a8-4700-aae7-83732920eb5b	\N	\N
344588d9-8112-4367-81c6-17aa04f2de37	c7987160-817a-4396-ab80-fbf5e10096e4	1	40.12	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.181089+00	2026-11-27 01:40:36.183488+00	\N	\N	e887b1c8-184e-48f6-9b25-2cad1c2a79f6	\N	\N
344588d9-8112-4367-81c6-17aa04f2de37	6a30c4a9-4227-4ab7-80f6-c8c21bc214b5	1	30.12	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.181145+00	2026-11-27 01:40:36.183516+00	\N	\N	98012b04-1990-4681-a924-3d2323d5e77e	\N	\N
344588d9-8112-4367-81c6-17aa04f2de37	c7b11660-9aff-4a0b-ba68-102a1ccd391a	1	17.12	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.1812+00	2026-11-27 01:40:36.183542+00	\N	\N	eca85ee5-a383-451f-84be-ec72d01751e5	\N	\N
344588d9-8112-4367-81c6-17aa04f2de37	866b6e5d-83a3-4862-b574-4bb888c7eab7	1	10.12	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.181255+00	2026-11-27 01:40:36.183568+00	\N	\N	b8d65e21-93f6-48a8-80ca-558420eb4abc	\N	\N
344588d9-8112-4367-81c6-17aa04f2de37	cc18dad8-e932-4920-bb1c-3380d3780ac8	1	25.12	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.18131+00	2026-11-27 01:40:36.183593+00	\N	\N	8bc24364-5bee-470f-8caf-8555f14de2ab	\N	\N
344588d9-8112-4367-81c6-17aa04f2de37	549f0890-c8b3-40ca-bc0a-78a5e288a24d	1	45.12	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.181365+00	2026-11-27 01:40:36.183627+00	\N	\N	747ef1fd-2a89-4cbc-9fed-6ee5ff6f6195	\N	\N
344588d9-8112-4367-81c6-17aa04f2de37	e3292122-27fb-4d8f-a852-d69422909db7	1	8.12	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.181421+00	2026-11-27 01:40:36.183653+00	\N	\N	d1a5f855-822f-4771-922b-5f74e22db392	\N	\N
344588d9-8112-4367-81c6-17aa04f2de37	94c85ed0-294b-49c4-8d78-2a67aa437b5e	1	8.12	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.181477+00	2026-11-27 01:40:36.183677+00	\N	\N	b2c8ea86-6a43-4ca4-897e-ba2e62d9e1fb	\N	\N
4a5aa818-34eb-4fe9-804d-bba73c91341b	b236fb7d-1ee9-44eb-bbfe-1a997174466f	1	40.05	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.213475+00	2026-11-27 01:40:36.215883+00	\N	\N	2be58b74-39c3-4e1b-a1c9-d10682bd1497	\N	\N
4a5aa818-34eb-4fe9-804d-bba73c91341b	1d4a11ae-d02f-4c4b-9877-2691bf16086e	1	30.05	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.213588+00	2026-11-27 01:40:36.216014+00	\N	\N	6cab67df-0d69-4de2-aef4-7f5f21a19d2f	\N	\N
4a5aa818-34eb-4fe9-804d-bba73c91341b	3471588c-35c6-4bb6-bfc5-4fa00a1c0cff	1	17.05	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.21365+00	2026-11-27 01:40:36.216059+00	\N	\N	49ef2bc5-f6b1-4e66-a337-0140757dbe65	\N	\N
4a5aa818-34eb-4fe9-804d-bba73c91341b	c7987160-817a-4396-ab80-fbf5e10096e4	1	40.05	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.213707+00	2026-11-27 01:40:36.216091+00	\N	\N	658f4ec5-9735-4d07-a31a-f81ac5c382d9	\N	\N
4a5aa818-34eb-4fe9-804d-bba73c91341b	6a30c4a9-4227-4ab7-80f6-c8c21bc214b5	1	30.05	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.213763+00	2026-11-27 01:40:36.216118+00	\N	\N	24573803-a84b-4dc3-be1e-03f01255ea16	\N	\N
4a5aa818-34eb-4fe9-804d-bba73c91341b	c7b11660-9aff-4a0b-ba68-102a1ccd391a	1	17.05	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.213818+00	2026-11-27 01:40:36.216144+00	\N	\N	10c0649c-75af-426d-8d37-d27a7552c5de	\N	\N
4a5aa818-34eb-4fe9-804d-bba73c91341b	866b6e5d-83a3-4862-b574-4bb888c7eab7	1	10.05	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.213886+00	2026-11-27 01:40:36.216169+00	\N	\N	5a874475-7b12-4fb5-b4a3-2b675a56cb44	\N	\N
4a5aa818-34eb-4fe9-804d-bba73c91341b	cc18dad8-e932-4920-bb1c-3380d3780ac8	1	25.05	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.213957+00	2026-11-27 01:40:36.216194+00	\N	\N	735a2bda-6263-4123-9d8a-fa70a2352a07	\N	\N
4a5aa818-34eb-4fe9-804d-bba73c91341b	549f0890-c8b3-40ca-bc0a-78a5e288a24d	1	45.05	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.214013+00	2026-11-27 01:40:36.216219+00	\N	\N	d413542b-2110-4b08-a158-8cdd00b38216	\N	\N
4a5aa818-34eb-4fe9-804d-bba73c91341b	e3292122-27fb-4d8f-a852-d69422909db7	1	8.05	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.214069+00	2026-11-27 01:40:36.216243+00	\N	\N	7b02b611-6f05-45e4-8349-7d29d8e6c47a	\N	\N
4a5aa818-34eb-4fe9-804d-bba73c91341b	94c85ed0-294b-49c4-8d78-2a67aa437b5e	1	8.05	\N	2eb970fa-7c9a-43b0-8a67-55ec74df28e5	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.214126+00	2026-11-27 01:40:36.216269+00	\N	\N	c2079e71-fb8d-4846-9419-6f6de1b4d972	\N	\N
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

COPY public.run (job_id, attempt, configuration_id, sliced_file_id, unattended, changed, started_at, ended_at, outcome, cause, failed_at_percent, note, energy_kwh, energy_low_kwh, energy_high_kwh, energy_from, trace_sha256, instrument_id, person_id, version, id, failed_at_layer, uses_attempt, trace_columns) FROM stdin;
d3f1c4af-9aac-4c71-a904-9acce0d1818a	1	a0c27015-0b1e-49fc-831c-7fa6f8ef5f29	6695cb24-e336-4211-8749-0ff022e9025e	f		2026-11-20 11:40:17.519447+00	2026-11-20 12:40:17.519447+00	done	\N	\N		0.1	0.1	0.1	meter	\N	\N	c48c296a-4af4-4f4e-a0e4-9c600324754d	3	e1976b55-abc4-4c83-a60e-8086b86bedb6	\N	t	\N
194fb297-c838-42f6-bab2-cf72282020ed	1	6002caa3-88a2-400d-8551-a930549f165f	ca999c50-9ad2-437a-ae4c-c3e1e7111081	f		2026-11-20 16:40:17.519447+00	2026-11-20 17:40:17.519447+00	done	\N	\N		0.1	0.1	0.1	meter	\N	\N	c48c296a-4af4-4f4e-a0e4-9c600324754d	3	494821c6-a594-4a82-a53f-60caf9cfe1a3	\N	t	\N
cd99cdd7-9399-452d-93f7-f756d32fc0c6	1	a0c27015-0b1e-49fc-831c-7fa6f8ef5f29	a9cdeddc-a05e-4891-9dfc-c67491534dd6	f		2026-11-20 21:40:17.519447+00	2026-11-20 22:40:17.519447+00	done	\N	\N		0.1	0.1	0.1	meter	\N	\N	c48c296a-4af4-4f4e-a0e4-9c600324754d	3	d671b678-1004-4e59-a0ed-32fbaade828b	\N	t	\N
ff46ca88-b0d5-46ba-ad0f-dadfb95a7875	1	6002caa3-88a2-400d-8551-a930549f165f	4440d938-1179-435c-9e4b-4f04ee4a41f7	f		2026-11-20 06:40:17.519447+00	2026-11-20 07:40:17.519447+00	done	\N	\N		0.09861111111111112	0.09722222222222222	0.1	trace	42d861c2df36cf808e1b566b502efff207f1b09eed7954d7a08ee6811877e319	\N	c48c296a-4af4-4f4e-a0e4-9c600324754d	4	f57c4cf8-f401-426a-ab35-537b98be7bf4	\N	t	{"date": null, "time": null, "zone": "UTC", "power": null, "counter": null, "current": null, "voltage": null, "time_format": null}
\.


--
-- Data for Name: run_event; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.run_event (run_id, kind, at, note, person_id, recorded_at, supersedes_id, reason, id) FROM stdin;
\.


--
-- Data for Name: safety_check; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.safety_check (unit_id, kind, result, note, done_by, person_id, done_at, recorded_at, id) FROM stdin;
c22fddaf-fa40-4985-81b3-63b6564943cd	mains	pass		Somebody	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-19 01:40:17.39567+00	2026-11-27 01:40:17.411849+00	206494d3-bff6-4935-8673-ca9f8219e3aa
c22fddaf-fa40-4985-81b3-63b6564943cd	cables	pass		Somebody	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-19 01:40:17.39567+00	2026-11-27 01:40:17.412016+00	802a86c5-6bc3-46bb-83d7-c054516e5b67
c22fddaf-fa40-4985-81b3-63b6564943cd	earth	pass		An electrician	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-19 01:40:17.39567+00	2026-11-27 01:40:17.412023+00	13fdfc3e-d6bc-4800-a3ed-be9c57020ca7
c22fddaf-fa40-4985-81b3-63b6564943cd	runaway	pass		Somebody	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-19 01:40:17.39567+00	2026-11-27 01:40:17.412028+00	15906981-aad6-4f74-8e02-a4283a2b03b9
c22fddaf-fa40-4985-81b3-63b6564943cd	stop	pass		Somebody	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-19 01:40:17.39567+00	2026-11-27 01:40:17.412031+00	7faf7e9a-b4ba-4c62-b00e-173266ed8be5
c22fddaf-fa40-4985-81b3-63b6564943cd	screws	pass		Somebody	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-19 01:40:17.39567+00	2026-11-27 01:40:17.412034+00	5da7b901-7322-4833-9206-a694c01ea092
d1185b34-6599-4f0f-8f22-7735dabeaa0d	mains	pass		Somebody	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-19 01:40:17.479181+00	2026-11-27 01:40:17.491053+00	731bd6bf-82b9-49c5-8a99-672b803de237
d1185b34-6599-4f0f-8f22-7735dabeaa0d	cables	pass		Somebody	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-19 01:40:17.479181+00	2026-11-27 01:40:17.491092+00	f50dad66-ee99-4089-b7ca-5bc76bb78841
d1185b34-6599-4f0f-8f22-7735dabeaa0d	earth	pass		An electrician	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-19 01:40:17.479181+00	2026-11-27 01:40:17.491108+00	528aecd6-2227-4d83-9423-204adb39d252
d1185b34-6599-4f0f-8f22-7735dabeaa0d	runaway	pass		Somebody	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-19 01:40:17.479181+00	2026-11-27 01:40:17.491112+00	0ab105e5-ff87-455a-ac84-c2195508eb6e
d1185b34-6599-4f0f-8f22-7735dabeaa0d	stop	pass		Somebody	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-19 01:40:17.479181+00	2026-11-27 01:40:17.491117+00	f3f0373d-54e8-4e85-88bd-5fd9f81c0872
d1185b34-6599-4f0f-8f22-7735dabeaa0d	screws	pass		Somebody	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-19 01:40:17.479181+00	2026-11-27 01:40:17.491121+00	8b34852c-66f4-489f-bb98-69b19cea082f
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
69181110-dda1-41c6-91b3-af63d5290220	1	2026-11-27 01:40:16.5629+00	c48c296a-4af4-4f4e-a0e4-9c600324754d	dfb50c14-2ee0-44c0-8c40-9fcc6f283da3
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
1a211da4-5bb0-42cc-a4f4-256391c0dd16	c48c296a-4af4-4f4e-a0e4-9c600324754d	python-httpx/0.28.1	127.0.0.1	f	2026-11-27 01:40:16.406309+00	2026-11-27 01:40:16.406309+00	\N
\.


--
-- Data for Name: sliced_file; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.sliced_file (job_id, sha256, name, facts, settings, deviations, person_id, received_at, id, motion, withdrawn_at, withdrawn_by) FROM stdin;
ff46ca88-b0d5-46ba-ad0f-dadfb95a7875	8b085291c0fe77bc79383aca325654f4161a54be102c50b6b5fb165a0744cc9c	a.gcode	{"uses": [{"tool": 0, "mass_g": 14.931330358229602, "portion": "model", "length_mm": 5006.17}, {"tool": 0, "mass_g": 0.018677963183525752, "portion": "skirt and brim", "length_mm": 6.26}, {"tool": 0, "mass_g": -0.0023860682343693025, "portion": "fed, drawn back", "length_mm": -0.8}], "bed_c": 60.0, "lines": 45309, "tools": [{"tool": 0, "mass_g": 14.95, "length_mm": 5012.43, "mass_from": "comment", "length_from": "comment"}], "layers": 225, "mass_g": 14.95, "silent": [], "time_s": 3955.0, "partial": false, "picture": null, "skipped": {}, "nozzle_c": 220.0, "warnings": [], "generator": "SampleSlicer 2.5.0 on 2026-11-24 at 03:21:05 UTC", "time_from": "comment “estimated printing time”", "size_bytes": 1187593, "time_needs": null, "layers_need": null, "tool_changes": 0}	{"wipe": "0", "notes": "", "skirts": "1", "cooling": "1", "ironing": "0", "threads": "2", "z_offset": "0", "bed_shape": "0x0,220x0,220x220,0x220", "brim_type": "outer_only", "end_gcode": "{if max_layer_z < max_print_height}G1 Z{z_offset+min(max_layer_z+2, max_print_height)} F600{endif}\\\\nG1 X5 Y210 F3600\\\\nM140 S0\\\\nM104 S0\\\\nM107\\\\nM84 X Y E\\\\n", "overhangs": "1", "brim_width": "0", "fill_angle": "45", "fuzzy_skin": "none", "perimeters": "2", "resolution": "0", "thin_walls": "1", "thumbnails": "", "wipe_tower": "0", "layer_gcode": "", "raft_layers": "0", "silent_mode": "1", "spiral_vase": "0", "start_gcode": "G90 ; use absolute coordinates\\\\nM82 ; absolute E\\\\nM104 S[first_layer_temperature]\\\\nM140 S[first_layer_bed_temperature]\\\\nM190 S[first_layer_bed_temperature]\\\\nM109 S[first_layer_temperature]\\\\nG28 ; home all\\\\nG1 Z2 F240\\\\nG1 X2 Y10 F3000\\\\nG1 Z0.28 F240\\\\nG92 E0\\\\nG1 Y140 E10 F1500 ; prime\\\\nG1 X2.3 F5000\\\\nG92 E0\\\\nG1 Y10 E10 F1200 ; prime\\\\nG92 E0\\\\n", "temperature": "215", "bridge_angle": "0", "bridge_speed": "30", "draft_shield": "disabled", "fill_density": "15%", "fill_pattern": "grid", "gcode_flavor": "sample", "infill_first": "0", "infill_speed": "80", "ironing_type": "top", "layer_height": "0.2", "post_process": "", "retract_lift": "0", "skirt_height": "1", "slicing_mode": "regular", "travel_speed": "150", "wipe_tower_x": "180", "wipe_tower_y": "140", "fan_always_on": "0", "filament_cost": "24.9", "filament_type": "PLA", "infill_anchor": "600%", "ironing_speed": "15", "max_fan_speed": "100", "min_fan_speed": "35", "printer_model": "sample", "printer_notes": "sample", "retract_speed": "35", "seam_position": "aligned", "thick_bridges": "1", "extrusion_axis": "E", "filament_notes": "\\"\\"", "gap_fill_speed": "30", "gcode_comments": "0", "infill_overlap": "25%", "min_bead_width": "85%", "raft_expansion": "1.5", "retract_length": "0.8", "skirt_distance": "6", "travel_speed_z": "0", "bed_temperature": "60", "brim_separation": "0", "deretract_speed": "0", "extruder_colour": "\\"\\"", "extruder_offset": "0x0", "extrusion_width": "0.45", "filament_colour": "#3A7BD5", "infill_extruder": "1", "ironing_spacing": "0.1", "max_print_speed": "80", "min_print_speed": "10", "nozzle_diameter": "0.4", "ooze_prevention": "0", "perimeter_speed": "45", "remaining_times": "1", "bridge_fan_speed": "100", "complete_objects": "0", "extra_perimeters": "1", "filament_density": "1.24", "filament_soluble": "0", "gap_fill_enabled": "1", "gcode_resolution": "0.0125", "interface_shells": "0", "ironing_flowrate": "15%", "max_layer_height": "0", "max_print_height": "220", "min_feature_size": "25%", "min_layer_height": "0.07", "min_skirt_length": "0", "support_material": "0", "toolchange_gcode": "", "top_fill_pattern": "monotonic", "top_solid_layers": "4", "use_volumetric_e": "0", "wipe_into_infill": "0", "wipe_tower_width": "60", "bridge_flow_ratio": "1", "filament_diameter": "1.75", "first_layer_speed": "20", "infill_anchor_max": "50", "pause_print_gcode": "M601", "print_settings_id": "sample", "thumbnails_format": "PNG", "wipe_into_objects": "0", "before_layer_gcode": "", "color_change_gcode": "M600", "duplicate_distance": "6", "end_filament_gcode": "\\"; Filament-specific end gcode \\\\n;END gcode for filament\\\\n\\"", "extra_loading_move": "-2", "filament_load_time": "0", "first_layer_height": "0.2", "machine_max_jerk_e": "4.5,4.5", "machine_max_jerk_x": "8,8", "machine_max_jerk_y": "8,8", "machine_max_jerk_z": "0.4,0.4", "perimeter_extruder": "1", "printer_technology": "FFF", "retract_lift_above": "0", "retract_lift_below": "0", "solid_infill_speed": "60", "bottom_fill_pattern": "monotonic", "bottom_solid_layers": "3", "bridge_acceleration": "600", "cooling_tube_length": "5", "gcode_label_objects": "0", "gcode_substitutions": "", "infill_acceleration": "1200", "infill_every_layers": "1", "perimeter_generator": "arachne", "printer_settings_id": "sample", "retract_before_wipe": "0%", "sampleslicer_config": "end", "wipe_tower_bridging": "10", "default_acceleration": "1000", "dont_support_bridges": "1", "extrusion_multiplier": "1", "fan_below_layer_time": "60", "filament_settings_id": "sample", "filament_unload_time": "0", "full_fan_speed_layer": "0", "fuzzy_skin_thickness": "0.3", "machine_limits_usage": "emit_to_gcode", "max_volumetric_speed": "0", "retract_layer_change": "0", "slice_closing_radius": "0.049", "start_filament_gcode": "\\"; Filament gcode\\\\n\\"", "xy_size_compensation": "0", "between_objects_gcode": "", "filament_spool_weight": "0", "fuzzy_skin_point_dist": "0.8", "raft_contact_distance": "0.1", "retract_before_travel": "2", "retract_restart_extra": "0", "small_perimeter_speed": "25", "solid_infill_extruder": "1", "support_material_auto": "1", "template_custom_gcode": "", "variable_layer_height": "1", "wall_transition_angle": "10", "wipe_tower_brim_width": "2", "wiping_volumes_matrix": "0,140,140,140,140,140,0,140,140,140,140,140,0,140,140,140,140,140,0,140,140,140,140,140,0", "clip_multipart_objects": "1", "filament_cooling_moves": "4", "filament_loading_speed": "28", "infill_extrusion_width": "0.45", "machine_max_feedrate_e": "120,80", "machine_max_feedrate_x": "200,170", "machine_max_feedrate_y": "200,170", "machine_max_feedrate_z": "12,12", "output_filename_format": "[input_filename_base].gcode", "parking_pos_retraction": "92", "perimeter_acceleration": "800", "support_material_angle": "0", "support_material_speed": "60", "support_material_style": "grid", "top_solid_infill_speed": "30", "wall_transition_length": "100%", "cooling_tube_retraction": "91.5", "first_layer_temperature": "220", "machine_min_travel_rate": "0,0", "solid_infill_below_area": "70", "top_solid_min_thickness": "0", "use_firmware_retraction": "0", "wall_distribution_count": "1", "disable_fan_first_layers": "3", "external_perimeter_speed": "30", "filament_unloading_speed": "90", "first_layer_acceleration": "500", "infill_only_where_needed": "0", "raft_first_layer_density": "90%", "support_material_pattern": "rectilinear", "support_material_spacing": "2.5", "use_relative_e_distances": "0", "wiping_volumes_extruders": "70,70,70,70,70,70,70,70,70,70", "avoid_crossing_perimeters": "0", "elefant_foot_compensation": "0", "external_perimeters_first": "0", "extruder_clearance_height": "20", "extruder_clearance_radius": "20", "filament_toolchange_delay": "0", "perimeter_extrusion_width": "0.45", "retract_length_toolchange": "10", "slowdown_below_layer_time": "5", "solid_infill_every_layers": "0", "standby_temperature_delta": "-5", "support_material_extruder": "1", "wipe_tower_rotation_angle": "0", "bottom_solid_min_thickness": "0", "machine_max_acceleration_e": "5000,2500", "machine_max_acceleration_x": "2500,1250", "machine_max_acceleration_y": "2500,1250", "machine_max_acceleration_z": "400,200", "machine_min_extruding_rate": "0,0", "raft_first_layer_expansion": "3", "support_material_threshold": "0", "top_infill_extrusion_width": "0.4", "filament_ramming_parameters": "\\"120 100 6.6 6.8 7.2 7.6 7.9 8.2 8.7 9.4 9.9 10.0| 0.05 6.6 0.45 6.8 0.95 7.8 1.45 8.3 1.95 9.7 2.45 10 2.95 7.6 3.45 7.6 3.95 7.6 4.45 7.6 4.95 7.6\\"", "first_layer_bed_temperature": "60", "first_layer_extrusion_width": "0.42", "first_layer_speed_over_raft": "30", "support_material_xy_spacing": "50%", "wipe_tower_no_sparse_layers": "0", "filament_cooling_final_speed": "3.4", "filament_loading_speed_start": "3", "physical_printer_settings_id": "", "solid_infill_extrusion_width": "0.45", "support_material_with_sheath": "1", "filament_max_volumetric_speed": "0", "high_current_on_filament_swap": "0", "filament_cooling_initial_speed": "2.2", "filament_unloading_speed_start": "100", "mmu_segmented_region_max_width": "0", "single_extruder_multi_material": "0", "ensure_vertical_shell_thickness": "0", "machine_max_acceleration_travel": "2500,1250", "support_material_closing_radius": "2", "support_material_enforce_layers": "0", "retract_restart_extra_toolchange": "0", "support_material_buildplate_only": "0", "support_material_extrusion_width": "0", "support_material_interface_speed": "100%", "wall_transition_filter_deviation": "25%", "support_material_contact_distance": "0.2", "support_material_interface_layers": "3", "external_perimeter_extrusion_width": "0.45", "first_layer_acceleration_over_raft": "0", "machine_max_acceleration_extruding": "2000,1000", "support_material_interface_pattern": "rectilinear", "support_material_interface_spacing": "0", "machine_max_acceleration_retracting": "1500,1000", "support_material_interface_extruder": "1", "support_material_synchronize_layers": "0", "avoid_crossing_perimeters_max_detour": "0", "filament_minimal_purge_on_wipe_tower": "15", "only_retract_when_crossing_perimeters": "0", "single_extruder_multi_material_priming": "1", "support_material_bottom_contact_distance": "0", "support_material_bottom_interface_layers": "-1", "support_material_interface_contact_loops": "0", "max_volumetric_extrusion_rate_slope_negative": "0", "max_volumetric_extrusion_rate_slope_positive": "0"}	[]	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:34.330256+00	4440d938-1179-435c-9e4b-4f04ee4a41f7	{"on": "the file's own limits", "moves": 37915, "causes": {"axes": 3.440800000048057, "flow": 0.0, "asked": 3435.281684210529, "waits": 0.0, "corners": 477.59647208703745, "acceleration": 45.496887834258814}, "waits_s": 0.0, "by_axes_s": 0.0, "by_flow_s": 0.0, "changes_s": [], "flow_step": 0.5, "planned_s": 3961.8158441318733, "at_asked_s": 2832.2709204563084, "by_layer_s": [12.9, 222.2, 78.64, 78.24, 21.51, 20.93, 21.28, 21.66, 21.26, 21.28, 21.36, 21.17, 21.6, 20.93, 21.29, 21.62, 21.26, 20.94, 21.29, 21.64, 21.6, 21.57, 21.26, 21.26, 21.26, 21.26, 21.26, 21.43, 21.07, 21.61, 21.43, 21.07, 21.61, 20.94, 21.28, 21.28, 21.28, 21.29, 21.65, 21.61, 21.25, 21.28, 21.28, 21.28, 21.64, 21.57, 20.93, 92.93, 66.5, 65.94, 107.64, 16.2, 15.82, 16.16, 15.79, 15.64, 15.83, 15.82, 15.82, 15.82, 16.16, 15.83, 15.82, 15.82, 16.12, 15.81, 15.82, 15.82, 15.82, 15.82, 15.82, 16.17, 16.13, 16.15, 16.1, 16.17, 16.1, 15.82, 16.17, 16.17, 16.1, 16.1, 15.83, 16.16, 16.16, 15.83, 15.82, 16.13, 15.81, 16.12, 16.11, 16.15, 16.16, 15.82, 15.83, 15.83, 16.16, 16.16, 16.17, 16.17, 16.12, 15.8, 15.82, 15.82, 16.17, 15.82, 16.16, 16.16, 15.76, 16.17, 15.82, 15.82, 15.82, 16.15, 15.82, 16.12, 16.13, 16.15, 15.82, 16.15, 16.09, 16.16, 67.89, 47.95, 47.89, 80.04, 8.94, 8.8, 8.87, 8.94, 8.94, 8.94, 8.94, 8.88, 8.81, 8.86, 8.94, 8.94, 8.94, 8.95, 8.94, 8.95, 8.95, 8.95, 8.95, 8.89, 8.86, 8.94, 8.95, 8.95, 8.95, 9.08, 8.87, 8.95, 8.95, 8.95, 8.95, 8.9, 8.87, 9.08, 8.87, 8.89, 9.0, 8.86, 8.95, 9.08, 8.82, 8.87, 8.9, 8.82, 8.87, 8.9, 8.82, 8.87, 9.09, 8.87, 8.95, 8.95, 8.95, 8.94, 8.94, 9.07, 8.96, 8.89, 8.86, 8.95, 8.95, 8.95, 8.95, 8.94, 8.9, 8.82, 8.83, 8.81, 8.81, 8.86, 8.89, 8.79, 8.8, 8.87, 8.95, 8.9, 8.87, 8.89, 8.81, 8.81, 8.84, 8.93, 8.89, 8.81, 8.81, 8.8, 8.84, 8.94, 8.87, 8.79, 9.0, 8.86, 8.9, 8.85, 8.89, 8.8, 22.39, 18.08, 18.08, 27.4], "by_speed_s": [10.55, 0.22, 7.04, 369.81, 87.04, 1550.92, 87.31, 10.65, 580.01, 131.38, 232.02, 193.8, 76.92, 198.65, 298.28, 1.8, 2.83, 0.55, 21.2, 18.87, 20.19, 8.11, 18.9, 20.29, 2.85, 10.8, 0.0, 0.81], "speed_step": 5.0, "speeding_s": 1129.5449236755649, "by_feature_s": {"Custom": 16.3, "Perimeter": 816.79, "Skirt/Brim": 10.2, "Solid infill": 520.76, "Bridge infill": 148.99, "Internal infill": 1113.93, "Top solid infill": 177.64, "External perimeter": 1157.2}, "by_flow_step_s": [230.36, 0.41, 97.37, 236.61, 1487.75, 57.32, 455.0, 358.63, 272.83, 197.12, 238.78, 329.09, 0.49, 0.06]}	\N	\N
d3f1c4af-9aac-4c71-a904-9acce0d1818a	8b085291c0fe77bc79383aca325654f4161a54be102c50b6b5fb165a0744cc9c	a.gcode	{"uses": [{"tool": 0, "mass_g": 14.931330358229602, "portion": "model", "length_mm": 5006.17}, {"tool": 0, "mass_g": 0.018677963183525752, "portion": "skirt and brim", "length_mm": 6.26}, {"tool": 0, "mass_g": -0.0023860682343693025, "portion": "fed, drawn back", "length_mm": -0.8}], "bed_c": 60.0, "lines": 45309, "tools": [{"tool": 0, "mass_g": 14.95, "length_mm": 5012.43, "mass_from": "comment", "length_from": "comment"}], "layers": 225, "mass_g": 14.95, "silent": [], "time_s": 3955.0, "partial": false, "picture": null, "skipped": {}, "nozzle_c": 220.0, "warnings": [], "generator": "SampleSlicer 2.5.0 on 2026-11-24 at 03:21:05 UTC", "time_from": "comment “estimated printing time”", "size_bytes": 1187593, "time_needs": null, "layers_need": null, "tool_changes": 0}	{"wipe": "0", "notes": "", "skirts": "1", "cooling": "1", "ironing": "0", "threads": "2", "z_offset": "0", "bed_shape": "0x0,220x0,220x220,0x220", "brim_type": "outer_only", "end_gcode": "{if max_layer_z < max_print_height}G1 Z{z_offset+min(max_layer_z+2, max_print_height)} F600{endif}\\\\nG1 X5 Y210 F3600\\\\nM140 S0\\\\nM104 S0\\\\nM107\\\\nM84 X Y E\\\\n", "overhangs": "1", "brim_width": "0", "fill_angle": "45", "fuzzy_skin": "none", "perimeters": "2", "resolution": "0", "thin_walls": "1", "thumbnails": "", "wipe_tower": "0", "layer_gcode": "", "raft_layers": "0", "silent_mode": "1", "spiral_vase": "0", "start_gcode": "G90 ; use absolute coordinates\\\\nM82 ; absolute E\\\\nM104 S[first_layer_temperature]\\\\nM140 S[first_layer_bed_temperature]\\\\nM190 S[first_layer_bed_temperature]\\\\nM109 S[first_layer_temperature]\\\\nG28 ; home all\\\\nG1 Z2 F240\\\\nG1 X2 Y10 F3000\\\\nG1 Z0.28 F240\\\\nG92 E0\\\\nG1 Y140 E10 F1500 ; prime\\\\nG1 X2.3 F5000\\\\nG92 E0\\\\nG1 Y10 E10 F1200 ; prime\\\\nG92 E0\\\\n", "temperature": "215", "bridge_angle": "0", "bridge_speed": "30", "draft_shield": "disabled", "fill_density": "15%", "fill_pattern": "grid", "gcode_flavor": "sample", "infill_first": "0", "infill_speed": "80", "ironing_type": "top", "layer_height": "0.2", "post_process": "", "retract_lift": "0", "skirt_height": "1", "slicing_mode": "regular", "travel_speed": "150", "wipe_tower_x": "180", "wipe_tower_y": "140", "fan_always_on": "0", "filament_cost": "24.9", "filament_type": "PLA", "infill_anchor": "600%", "ironing_speed": "15", "max_fan_speed": "100", "min_fan_speed": "35", "printer_model": "sample", "printer_notes": "sample", "retract_speed": "35", "seam_position": "aligned", "thick_bridges": "1", "extrusion_axis": "E", "filament_notes": "\\"\\"", "gap_fill_speed": "30", "gcode_comments": "0", "infill_overlap": "25%", "min_bead_width": "85%", "raft_expansion": "1.5", "retract_length": "0.8", "skirt_distance": "6", "travel_speed_z": "0", "bed_temperature": "60", "brim_separation": "0", "deretract_speed": "0", "extruder_colour": "\\"\\"", "extruder_offset": "0x0", "extrusion_width": "0.45", "filament_colour": "#3A7BD5", "infill_extruder": "1", "ironing_spacing": "0.1", "max_print_speed": "80", "min_print_speed": "10", "nozzle_diameter": "0.4", "ooze_prevention": "0", "perimeter_speed": "45", "remaining_times": "1", "bridge_fan_speed": "100", "complete_objects": "0", "extra_perimeters": "1", "filament_density": "1.24", "filament_soluble": "0", "gap_fill_enabled": "1", "gcode_resolution": "0.0125", "interface_shells": "0", "ironing_flowrate": "15%", "max_layer_height": "0", "max_print_height": "220", "min_feature_size": "25%", "min_layer_height": "0.07", "min_skirt_length": "0", "support_material": "0", "toolchange_gcode": "", "top_fill_pattern": "monotonic", "top_solid_layers": "4", "use_volumetric_e": "0", "wipe_into_infill": "0", "wipe_tower_width": "60", "bridge_flow_ratio": "1", "filament_diameter": "1.75", "first_layer_speed": "20", "infill_anchor_max": "50", "pause_print_gcode": "M601", "print_settings_id": "sample", "thumbnails_format": "PNG", "wipe_into_objects": "0", "before_layer_gcode": "", "color_change_gcode": "M600", "duplicate_distance": "6", "end_filament_gcode": "\\"; Filament-specific end gcode \\\\n;END gcode for filament\\\\n\\"", "extra_loading_move": "-2", "filament_load_time": "0", "first_layer_height": "0.2", "machine_max_jerk_e": "4.5,4.5", "machine_max_jerk_x": "8,8", "machine_max_jerk_y": "8,8", "machine_max_jerk_z": "0.4,0.4", "perimeter_extruder": "1", "printer_technology": "FFF", "retract_lift_above": "0", "retract_lift_below": "0", "solid_infill_speed": "60", "bottom_fill_pattern": "monotonic", "bottom_solid_layers": "3", "bridge_acceleration": "600", "cooling_tube_length": "5", "gcode_label_objects": "0", "gcode_substitutions": "", "infill_acceleration": "1200", "infill_every_layers": "1", "perimeter_generator": "arachne", "printer_settings_id": "sample", "retract_before_wipe": "0%", "sampleslicer_config": "end", "wipe_tower_bridging": "10", "default_acceleration": "1000", "dont_support_bridges": "1", "extrusion_multiplier": "1", "fan_below_layer_time": "60", "filament_settings_id": "sample", "filament_unload_time": "0", "full_fan_speed_layer": "0", "fuzzy_skin_thickness": "0.3", "machine_limits_usage": "emit_to_gcode", "max_volumetric_speed": "0", "retract_layer_change": "0", "slice_closing_radius": "0.049", "start_filament_gcode": "\\"; Filament gcode\\\\n\\"", "xy_size_compensation": "0", "between_objects_gcode": "", "filament_spool_weight": "0", "fuzzy_skin_point_dist": "0.8", "raft_contact_distance": "0.1", "retract_before_travel": "2", "retract_restart_extra": "0", "small_perimeter_speed": "25", "solid_infill_extruder": "1", "support_material_auto": "1", "template_custom_gcode": "", "variable_layer_height": "1", "wall_transition_angle": "10", "wipe_tower_brim_width": "2", "wiping_volumes_matrix": "0,140,140,140,140,140,0,140,140,140,140,140,0,140,140,140,140,140,0,140,140,140,140,140,0", "clip_multipart_objects": "1", "filament_cooling_moves": "4", "filament_loading_speed": "28", "infill_extrusion_width": "0.45", "machine_max_feedrate_e": "120,80", "machine_max_feedrate_x": "200,170", "machine_max_feedrate_y": "200,170", "machine_max_feedrate_z": "12,12", "output_filename_format": "[input_filename_base].gcode", "parking_pos_retraction": "92", "perimeter_acceleration": "800", "support_material_angle": "0", "support_material_speed": "60", "support_material_style": "grid", "top_solid_infill_speed": "30", "wall_transition_length": "100%", "cooling_tube_retraction": "91.5", "first_layer_temperature": "220", "machine_min_travel_rate": "0,0", "solid_infill_below_area": "70", "top_solid_min_thickness": "0", "use_firmware_retraction": "0", "wall_distribution_count": "1", "disable_fan_first_layers": "3", "external_perimeter_speed": "30", "filament_unloading_speed": "90", "first_layer_acceleration": "500", "infill_only_where_needed": "0", "raft_first_layer_density": "90%", "support_material_pattern": "rectilinear", "support_material_spacing": "2.5", "use_relative_e_distances": "0", "wiping_volumes_extruders": "70,70,70,70,70,70,70,70,70,70", "avoid_crossing_perimeters": "0", "elefant_foot_compensation": "0", "external_perimeters_first": "0", "extruder_clearance_height": "20", "extruder_clearance_radius": "20", "filament_toolchange_delay": "0", "perimeter_extrusion_width": "0.45", "retract_length_toolchange": "10", "slowdown_below_layer_time": "5", "solid_infill_every_layers": "0", "standby_temperature_delta": "-5", "support_material_extruder": "1", "wipe_tower_rotation_angle": "0", "bottom_solid_min_thickness": "0", "machine_max_acceleration_e": "5000,2500", "machine_max_acceleration_x": "2500,1250", "machine_max_acceleration_y": "2500,1250", "machine_max_acceleration_z": "400,200", "machine_min_extruding_rate": "0,0", "raft_first_layer_expansion": "3", "support_material_threshold": "0", "top_infill_extrusion_width": "0.4", "filament_ramming_parameters": "\\"120 100 6.6 6.8 7.2 7.6 7.9 8.2 8.7 9.4 9.9 10.0| 0.05 6.6 0.45 6.8 0.95 7.8 1.45 8.3 1.95 9.7 2.45 10 2.95 7.6 3.45 7.6 3.95 7.6 4.45 7.6 4.95 7.6\\"", "first_layer_bed_temperature": "60", "first_layer_extrusion_width": "0.42", "first_layer_speed_over_raft": "30", "support_material_xy_spacing": "50%", "wipe_tower_no_sparse_layers": "0", "filament_cooling_final_speed": "3.4", "filament_loading_speed_start": "3", "physical_printer_settings_id": "", "solid_infill_extrusion_width": "0.45", "support_material_with_sheath": "1", "filament_max_volumetric_speed": "0", "high_current_on_filament_swap": "0", "filament_cooling_initial_speed": "2.2", "filament_unloading_speed_start": "100", "mmu_segmented_region_max_width": "0", "single_extruder_multi_material": "0", "ensure_vertical_shell_thickness": "0", "machine_max_acceleration_travel": "2500,1250", "support_material_closing_radius": "2", "support_material_enforce_layers": "0", "retract_restart_extra_toolchange": "0", "support_material_buildplate_only": "0", "support_material_extrusion_width": "0", "support_material_interface_speed": "100%", "wall_transition_filter_deviation": "25%", "support_material_contact_distance": "0.2", "support_material_interface_layers": "3", "external_perimeter_extrusion_width": "0.45", "first_layer_acceleration_over_raft": "0", "machine_max_acceleration_extruding": "2000,1000", "support_material_interface_pattern": "rectilinear", "support_material_interface_spacing": "0", "machine_max_acceleration_retracting": "1500,1000", "support_material_interface_extruder": "1", "support_material_synchronize_layers": "0", "avoid_crossing_perimeters_max_detour": "0", "filament_minimal_purge_on_wipe_tower": "15", "only_retract_when_crossing_perimeters": "0", "single_extruder_multi_material_priming": "1", "support_material_bottom_contact_distance": "0", "support_material_bottom_interface_layers": "-1", "support_material_interface_contact_loops": "0", "max_volumetric_extrusion_rate_slope_negative": "0", "max_volumetric_extrusion_rate_slope_positive": "0"}	[]	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:34.743993+00	6695cb24-e336-4211-8749-0ff022e9025e	{"on": "the file's own limits", "moves": 37915, "causes": {"axes": 3.440800000048057, "flow": 0.0, "asked": 3435.281684210529, "waits": 0.0, "corners": 477.59647208703745, "acceleration": 45.496887834258814}, "waits_s": 0.0, "by_axes_s": 0.0, "by_flow_s": 0.0, "changes_s": [], "flow_step": 0.5, "planned_s": 3961.8158441318733, "at_asked_s": 2832.2709204563084, "by_layer_s": [12.9, 222.2, 78.64, 78.24, 21.51, 20.93, 21.28, 21.66, 21.26, 21.28, 21.36, 21.17, 21.6, 20.93, 21.29, 21.62, 21.26, 20.94, 21.29, 21.64, 21.6, 21.57, 21.26, 21.26, 21.26, 21.26, 21.26, 21.43, 21.07, 21.61, 21.43, 21.07, 21.61, 20.94, 21.28, 21.28, 21.28, 21.29, 21.65, 21.61, 21.25, 21.28, 21.28, 21.28, 21.64, 21.57, 20.93, 92.93, 66.5, 65.94, 107.64, 16.2, 15.82, 16.16, 15.79, 15.64, 15.83, 15.82, 15.82, 15.82, 16.16, 15.83, 15.82, 15.82, 16.12, 15.81, 15.82, 15.82, 15.82, 15.82, 15.82, 16.17, 16.13, 16.15, 16.1, 16.17, 16.1, 15.82, 16.17, 16.17, 16.1, 16.1, 15.83, 16.16, 16.16, 15.83, 15.82, 16.13, 15.81, 16.12, 16.11, 16.15, 16.16, 15.82, 15.83, 15.83, 16.16, 16.16, 16.17, 16.17, 16.12, 15.8, 15.82, 15.82, 16.17, 15.82, 16.16, 16.16, 15.76, 16.17, 15.82, 15.82, 15.82, 16.15, 15.82, 16.12, 16.13, 16.15, 15.82, 16.15, 16.09, 16.16, 67.89, 47.95, 47.89, 80.04, 8.94, 8.8, 8.87, 8.94, 8.94, 8.94, 8.94, 8.88, 8.81, 8.86, 8.94, 8.94, 8.94, 8.95, 8.94, 8.95, 8.95, 8.95, 8.95, 8.89, 8.86, 8.94, 8.95, 8.95, 8.95, 9.08, 8.87, 8.95, 8.95, 8.95, 8.95, 8.9, 8.87, 9.08, 8.87, 8.89, 9.0, 8.86, 8.95, 9.08, 8.82, 8.87, 8.9, 8.82, 8.87, 8.9, 8.82, 8.87, 9.09, 8.87, 8.95, 8.95, 8.95, 8.94, 8.94, 9.07, 8.96, 8.89, 8.86, 8.95, 8.95, 8.95, 8.95, 8.94, 8.9, 8.82, 8.83, 8.81, 8.81, 8.86, 8.89, 8.79, 8.8, 8.87, 8.95, 8.9, 8.87, 8.89, 8.81, 8.81, 8.84, 8.93, 8.89, 8.81, 8.81, 8.8, 8.84, 8.94, 8.87, 8.79, 9.0, 8.86, 8.9, 8.85, 8.89, 8.8, 22.39, 18.08, 18.08, 27.4], "by_speed_s": [10.55, 0.22, 7.04, 369.81, 87.04, 1550.92, 87.31, 10.65, 580.01, 131.38, 232.02, 193.8, 76.92, 198.65, 298.28, 1.8, 2.83, 0.55, 21.2, 18.87, 20.19, 8.11, 18.9, 20.29, 2.85, 10.8, 0.0, 0.81], "speed_step": 5.0, "speeding_s": 1129.5449236755649, "by_feature_s": {"Custom": 16.3, "Perimeter": 816.79, "Skirt/Brim": 10.2, "Solid infill": 520.76, "Bridge infill": 148.99, "Internal infill": 1113.93, "Top solid infill": 177.64, "External perimeter": 1157.2}, "by_flow_step_s": [230.36, 0.41, 97.37, 236.61, 1487.75, 57.32, 455.0, 358.63, 272.83, 197.12, 238.78, 329.09, 0.49, 0.06]}	\N	\N
194fb297-c838-42f6-bab2-cf72282020ed	8b085291c0fe77bc79383aca325654f4161a54be102c50b6b5fb165a0744cc9c	a.gcode	{"uses": [{"tool": 0, "mass_g": 14.931330358229602, "portion": "model", "length_mm": 5006.17}, {"tool": 0, "mass_g": 0.018677963183525752, "portion": "skirt and brim", "length_mm": 6.26}, {"tool": 0, "mass_g": -0.0023860682343693025, "portion": "fed, drawn back", "length_mm": -0.8}], "bed_c": 60.0, "lines": 45309, "tools": [{"tool": 0, "mass_g": 14.95, "length_mm": 5012.43, "mass_from": "comment", "length_from": "comment"}], "layers": 225, "mass_g": 14.95, "silent": [], "time_s": 3955.0, "partial": false, "picture": null, "skipped": {}, "nozzle_c": 220.0, "warnings": [], "generator": "SampleSlicer 2.5.0 on 2026-11-24 at 03:21:05 UTC", "time_from": "comment “estimated printing time”", "size_bytes": 1187593, "time_needs": null, "layers_need": null, "tool_changes": 0}	{"wipe": "0", "notes": "", "skirts": "1", "cooling": "1", "ironing": "0", "threads": "2", "z_offset": "0", "bed_shape": "0x0,220x0,220x220,0x220", "brim_type": "outer_only", "end_gcode": "{if max_layer_z < max_print_height}G1 Z{z_offset+min(max_layer_z+2, max_print_height)} F600{endif}\\\\nG1 X5 Y210 F3600\\\\nM140 S0\\\\nM104 S0\\\\nM107\\\\nM84 X Y E\\\\n", "overhangs": "1", "brim_width": "0", "fill_angle": "45", "fuzzy_skin": "none", "perimeters": "2", "resolution": "0", "thin_walls": "1", "thumbnails": "", "wipe_tower": "0", "layer_gcode": "", "raft_layers": "0", "silent_mode": "1", "spiral_vase": "0", "start_gcode": "G90 ; use absolute coordinates\\\\nM82 ; absolute E\\\\nM104 S[first_layer_temperature]\\\\nM140 S[first_layer_bed_temperature]\\\\nM190 S[first_layer_bed_temperature]\\\\nM109 S[first_layer_temperature]\\\\nG28 ; home all\\\\nG1 Z2 F240\\\\nG1 X2 Y10 F3000\\\\nG1 Z0.28 F240\\\\nG92 E0\\\\nG1 Y140 E10 F1500 ; prime\\\\nG1 X2.3 F5000\\\\nG92 E0\\\\nG1 Y10 E10 F1200 ; prime\\\\nG92 E0\\\\n", "temperature": "215", "bridge_angle": "0", "bridge_speed": "30", "draft_shield": "disabled", "fill_density": "15%", "fill_pattern": "grid", "gcode_flavor": "sample", "infill_first": "0", "infill_speed": "80", "ironing_type": "top", "layer_height": "0.2", "post_process": "", "retract_lift": "0", "skirt_height": "1", "slicing_mode": "regular", "travel_speed": "150", "wipe_tower_x": "180", "wipe_tower_y": "140", "fan_always_on": "0", "filament_cost": "24.9", "filament_type": "PLA", "infill_anchor": "600%", "ironing_speed": "15", "max_fan_speed": "100", "min_fan_speed": "35", "printer_model": "sample", "printer_notes": "sample", "retract_speed": "35", "seam_position": "aligned", "thick_bridges": "1", "extrusion_axis": "E", "filament_notes": "\\"\\"", "gap_fill_speed": "30", "gcode_comments": "0", "infill_overlap": "25%", "min_bead_width": "85%", "raft_expansion": "1.5", "retract_length": "0.8", "skirt_distance": "6", "travel_speed_z": "0", "bed_temperature": "60", "brim_separation": "0", "deretract_speed": "0", "extruder_colour": "\\"\\"", "extruder_offset": "0x0", "extrusion_width": "0.45", "filament_colour": "#3A7BD5", "infill_extruder": "1", "ironing_spacing": "0.1", "max_print_speed": "80", "min_print_speed": "10", "nozzle_diameter": "0.4", "ooze_prevention": "0", "perimeter_speed": "45", "remaining_times": "1", "bridge_fan_speed": "100", "complete_objects": "0", "extra_perimeters": "1", "filament_density": "1.24", "filament_soluble": "0", "gap_fill_enabled": "1", "gcode_resolution": "0.0125", "interface_shells": "0", "ironing_flowrate": "15%", "max_layer_height": "0", "max_print_height": "220", "min_feature_size": "25%", "min_layer_height": "0.07", "min_skirt_length": "0", "support_material": "0", "toolchange_gcode": "", "top_fill_pattern": "monotonic", "top_solid_layers": "4", "use_volumetric_e": "0", "wipe_into_infill": "0", "wipe_tower_width": "60", "bridge_flow_ratio": "1", "filament_diameter": "1.75", "first_layer_speed": "20", "infill_anchor_max": "50", "pause_print_gcode": "M601", "print_settings_id": "sample", "thumbnails_format": "PNG", "wipe_into_objects": "0", "before_layer_gcode": "", "color_change_gcode": "M600", "duplicate_distance": "6", "end_filament_gcode": "\\"; Filament-specific end gcode \\\\n;END gcode for filament\\\\n\\"", "extra_loading_move": "-2", "filament_load_time": "0", "first_layer_height": "0.2", "machine_max_jerk_e": "4.5,4.5", "machine_max_jerk_x": "8,8", "machine_max_jerk_y": "8,8", "machine_max_jerk_z": "0.4,0.4", "perimeter_extruder": "1", "printer_technology": "FFF", "retract_lift_above": "0", "retract_lift_below": "0", "solid_infill_speed": "60", "bottom_fill_pattern": "monotonic", "bottom_solid_layers": "3", "bridge_acceleration": "600", "cooling_tube_length": "5", "gcode_label_objects": "0", "gcode_substitutions": "", "infill_acceleration": "1200", "infill_every_layers": "1", "perimeter_generator": "arachne", "printer_settings_id": "sample", "retract_before_wipe": "0%", "sampleslicer_config": "end", "wipe_tower_bridging": "10", "default_acceleration": "1000", "dont_support_bridges": "1", "extrusion_multiplier": "1", "fan_below_layer_time": "60", "filament_settings_id": "sample", "filament_unload_time": "0", "full_fan_speed_layer": "0", "fuzzy_skin_thickness": "0.3", "machine_limits_usage": "emit_to_gcode", "max_volumetric_speed": "0", "retract_layer_change": "0", "slice_closing_radius": "0.049", "start_filament_gcode": "\\"; Filament gcode\\\\n\\"", "xy_size_compensation": "0", "between_objects_gcode": "", "filament_spool_weight": "0", "fuzzy_skin_point_dist": "0.8", "raft_contact_distance": "0.1", "retract_before_travel": "2", "retract_restart_extra": "0", "small_perimeter_speed": "25", "solid_infill_extruder": "1", "support_material_auto": "1", "template_custom_gcode": "", "variable_layer_height": "1", "wall_transition_angle": "10", "wipe_tower_brim_width": "2", "wiping_volumes_matrix": "0,140,140,140,140,140,0,140,140,140,140,140,0,140,140,140,140,140,0,140,140,140,140,140,0", "clip_multipart_objects": "1", "filament_cooling_moves": "4", "filament_loading_speed": "28", "infill_extrusion_width": "0.45", "machine_max_feedrate_e": "120,80", "machine_max_feedrate_x": "200,170", "machine_max_feedrate_y": "200,170", "machine_max_feedrate_z": "12,12", "output_filename_format": "[input_filename_base].gcode", "parking_pos_retraction": "92", "perimeter_acceleration": "800", "support_material_angle": "0", "support_material_speed": "60", "support_material_style": "grid", "top_solid_infill_speed": "30", "wall_transition_length": "100%", "cooling_tube_retraction": "91.5", "first_layer_temperature": "220", "machine_min_travel_rate": "0,0", "solid_infill_below_area": "70", "top_solid_min_thickness": "0", "use_firmware_retraction": "0", "wall_distribution_count": "1", "disable_fan_first_layers": "3", "external_perimeter_speed": "30", "filament_unloading_speed": "90", "first_layer_acceleration": "500", "infill_only_where_needed": "0", "raft_first_layer_density": "90%", "support_material_pattern": "rectilinear", "support_material_spacing": "2.5", "use_relative_e_distances": "0", "wiping_volumes_extruders": "70,70,70,70,70,70,70,70,70,70", "avoid_crossing_perimeters": "0", "elefant_foot_compensation": "0", "external_perimeters_first": "0", "extruder_clearance_height": "20", "extruder_clearance_radius": "20", "filament_toolchange_delay": "0", "perimeter_extrusion_width": "0.45", "retract_length_toolchange": "10", "slowdown_below_layer_time": "5", "solid_infill_every_layers": "0", "standby_temperature_delta": "-5", "support_material_extruder": "1", "wipe_tower_rotation_angle": "0", "bottom_solid_min_thickness": "0", "machine_max_acceleration_e": "5000,2500", "machine_max_acceleration_x": "2500,1250", "machine_max_acceleration_y": "2500,1250", "machine_max_acceleration_z": "400,200", "machine_min_extruding_rate": "0,0", "raft_first_layer_expansion": "3", "support_material_threshold": "0", "top_infill_extrusion_width": "0.4", "filament_ramming_parameters": "\\"120 100 6.6 6.8 7.2 7.6 7.9 8.2 8.7 9.4 9.9 10.0| 0.05 6.6 0.45 6.8 0.95 7.8 1.45 8.3 1.95 9.7 2.45 10 2.95 7.6 3.45 7.6 3.95 7.6 4.45 7.6 4.95 7.6\\"", "first_layer_bed_temperature": "60", "first_layer_extrusion_width": "0.42", "first_layer_speed_over_raft": "30", "support_material_xy_spacing": "50%", "wipe_tower_no_sparse_layers": "0", "filament_cooling_final_speed": "3.4", "filament_loading_speed_start": "3", "physical_printer_settings_id": "", "solid_infill_extrusion_width": "0.45", "support_material_with_sheath": "1", "filament_max_volumetric_speed": "0", "high_current_on_filament_swap": "0", "filament_cooling_initial_speed": "2.2", "filament_unloading_speed_start": "100", "mmu_segmented_region_max_width": "0", "single_extruder_multi_material": "0", "ensure_vertical_shell_thickness": "0", "machine_max_acceleration_travel": "2500,1250", "support_material_closing_radius": "2", "support_material_enforce_layers": "0", "retract_restart_extra_toolchange": "0", "support_material_buildplate_only": "0", "support_material_extrusion_width": "0", "support_material_interface_speed": "100%", "wall_transition_filter_deviation": "25%", "support_material_contact_distance": "0.2", "support_material_interface_layers": "3", "external_perimeter_extrusion_width": "0.45", "first_layer_acceleration_over_raft": "0", "machine_max_acceleration_extruding": "2000,1000", "support_material_interface_pattern": "rectilinear", "support_material_interface_spacing": "0", "machine_max_acceleration_retracting": "1500,1000", "support_material_interface_extruder": "1", "support_material_synchronize_layers": "0", "avoid_crossing_perimeters_max_detour": "0", "filament_minimal_purge_on_wipe_tower": "15", "only_retract_when_crossing_perimeters": "0", "single_extruder_multi_material_priming": "1", "support_material_bottom_contact_distance": "0", "support_material_bottom_interface_layers": "-1", "support_material_interface_contact_loops": "0", "max_volumetric_extrusion_rate_slope_negative": "0", "max_volumetric_extrusion_rate_slope_positive": "0"}	[]	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:35.101029+00	ca999c50-9ad2-437a-ae4c-c3e1e7111081	{"on": "the file's own limits", "moves": 37915, "causes": {"axes": 3.440800000048057, "flow": 0.0, "asked": 3435.281684210529, "waits": 0.0, "corners": 477.59647208703745, "acceleration": 45.496887834258814}, "waits_s": 0.0, "by_axes_s": 0.0, "by_flow_s": 0.0, "changes_s": [], "flow_step": 0.5, "planned_s": 3961.8158441318733, "at_asked_s": 2832.2709204563084, "by_layer_s": [12.9, 222.2, 78.64, 78.24, 21.51, 20.93, 21.28, 21.66, 21.26, 21.28, 21.36, 21.17, 21.6, 20.93, 21.29, 21.62, 21.26, 20.94, 21.29, 21.64, 21.6, 21.57, 21.26, 21.26, 21.26, 21.26, 21.26, 21.43, 21.07, 21.61, 21.43, 21.07, 21.61, 20.94, 21.28, 21.28, 21.28, 21.29, 21.65, 21.61, 21.25, 21.28, 21.28, 21.28, 21.64, 21.57, 20.93, 92.93, 66.5, 65.94, 107.64, 16.2, 15.82, 16.16, 15.79, 15.64, 15.83, 15.82, 15.82, 15.82, 16.16, 15.83, 15.82, 15.82, 16.12, 15.81, 15.82, 15.82, 15.82, 15.82, 15.82, 16.17, 16.13, 16.15, 16.1, 16.17, 16.1, 15.82, 16.17, 16.17, 16.1, 16.1, 15.83, 16.16, 16.16, 15.83, 15.82, 16.13, 15.81, 16.12, 16.11, 16.15, 16.16, 15.82, 15.83, 15.83, 16.16, 16.16, 16.17, 16.17, 16.12, 15.8, 15.82, 15.82, 16.17, 15.82, 16.16, 16.16, 15.76, 16.17, 15.82, 15.82, 15.82, 16.15, 15.82, 16.12, 16.13, 16.15, 15.82, 16.15, 16.09, 16.16, 67.89, 47.95, 47.89, 80.04, 8.94, 8.8, 8.87, 8.94, 8.94, 8.94, 8.94, 8.88, 8.81, 8.86, 8.94, 8.94, 8.94, 8.95, 8.94, 8.95, 8.95, 8.95, 8.95, 8.89, 8.86, 8.94, 8.95, 8.95, 8.95, 9.08, 8.87, 8.95, 8.95, 8.95, 8.95, 8.9, 8.87, 9.08, 8.87, 8.89, 9.0, 8.86, 8.95, 9.08, 8.82, 8.87, 8.9, 8.82, 8.87, 8.9, 8.82, 8.87, 9.09, 8.87, 8.95, 8.95, 8.95, 8.94, 8.94, 9.07, 8.96, 8.89, 8.86, 8.95, 8.95, 8.95, 8.95, 8.94, 8.9, 8.82, 8.83, 8.81, 8.81, 8.86, 8.89, 8.79, 8.8, 8.87, 8.95, 8.9, 8.87, 8.89, 8.81, 8.81, 8.84, 8.93, 8.89, 8.81, 8.81, 8.8, 8.84, 8.94, 8.87, 8.79, 9.0, 8.86, 8.9, 8.85, 8.89, 8.8, 22.39, 18.08, 18.08, 27.4], "by_speed_s": [10.55, 0.22, 7.04, 369.81, 87.04, 1550.92, 87.31, 10.65, 580.01, 131.38, 232.02, 193.8, 76.92, 198.65, 298.28, 1.8, 2.83, 0.55, 21.2, 18.87, 20.19, 8.11, 18.9, 20.29, 2.85, 10.8, 0.0, 0.81], "speed_step": 5.0, "speeding_s": 1129.5449236755649, "by_feature_s": {"Custom": 16.3, "Perimeter": 816.79, "Skirt/Brim": 10.2, "Solid infill": 520.76, "Bridge infill": 148.99, "Internal infill": 1113.93, "Top solid infill": 177.64, "External perimeter": 1157.2}, "by_flow_step_s": [230.36, 0.41, 97.37, 236.61, 1487.75, 57.32, 455.0, 358.63, 272.83, 197.12, 238.78, 329.09, 0.49, 0.06]}	\N	\N
cd99cdd7-9399-452d-93f7-f756d32fc0c6	8b085291c0fe77bc79383aca325654f4161a54be102c50b6b5fb165a0744cc9c	a.gcode	{"uses": [{"tool": 0, "mass_g": 14.931330358229602, "portion": "model", "length_mm": 5006.17}, {"tool": 0, "mass_g": 0.018677963183525752, "portion": "skirt and brim", "length_mm": 6.26}, {"tool": 0, "mass_g": -0.0023860682343693025, "portion": "fed, drawn back", "length_mm": -0.8}], "bed_c": 60.0, "lines": 45309, "tools": [{"tool": 0, "mass_g": 14.95, "length_mm": 5012.43, "mass_from": "comment", "length_from": "comment"}], "layers": 225, "mass_g": 14.95, "silent": [], "time_s": 3955.0, "partial": false, "picture": null, "skipped": {}, "nozzle_c": 220.0, "warnings": [], "generator": "SampleSlicer 2.5.0 on 2026-11-24 at 03:21:05 UTC", "time_from": "comment “estimated printing time”", "size_bytes": 1187593, "time_needs": null, "layers_need": null, "tool_changes": 0}	{"wipe": "0", "notes": "", "skirts": "1", "cooling": "1", "ironing": "0", "threads": "2", "z_offset": "0", "bed_shape": "0x0,220x0,220x220,0x220", "brim_type": "outer_only", "end_gcode": "{if max_layer_z < max_print_height}G1 Z{z_offset+min(max_layer_z+2, max_print_height)} F600{endif}\\\\nG1 X5 Y210 F3600\\\\nM140 S0\\\\nM104 S0\\\\nM107\\\\nM84 X Y E\\\\n", "overhangs": "1", "brim_width": "0", "fill_angle": "45", "fuzzy_skin": "none", "perimeters": "2", "resolution": "0", "thin_walls": "1", "thumbnails": "", "wipe_tower": "0", "layer_gcode": "", "raft_layers": "0", "silent_mode": "1", "spiral_vase": "0", "start_gcode": "G90 ; use absolute coordinates\\\\nM82 ; absolute E\\\\nM104 S[first_layer_temperature]\\\\nM140 S[first_layer_bed_temperature]\\\\nM190 S[first_layer_bed_temperature]\\\\nM109 S[first_layer_temperature]\\\\nG28 ; home all\\\\nG1 Z2 F240\\\\nG1 X2 Y10 F3000\\\\nG1 Z0.28 F240\\\\nG92 E0\\\\nG1 Y140 E10 F1500 ; prime\\\\nG1 X2.3 F5000\\\\nG92 E0\\\\nG1 Y10 E10 F1200 ; prime\\\\nG92 E0\\\\n", "temperature": "215", "bridge_angle": "0", "bridge_speed": "30", "draft_shield": "disabled", "fill_density": "15%", "fill_pattern": "grid", "gcode_flavor": "sample", "infill_first": "0", "infill_speed": "80", "ironing_type": "top", "layer_height": "0.2", "post_process": "", "retract_lift": "0", "skirt_height": "1", "slicing_mode": "regular", "travel_speed": "150", "wipe_tower_x": "180", "wipe_tower_y": "140", "fan_always_on": "0", "filament_cost": "24.9", "filament_type": "PLA", "infill_anchor": "600%", "ironing_speed": "15", "max_fan_speed": "100", "min_fan_speed": "35", "printer_model": "sample", "printer_notes": "sample", "retract_speed": "35", "seam_position": "aligned", "thick_bridges": "1", "extrusion_axis": "E", "filament_notes": "\\"\\"", "gap_fill_speed": "30", "gcode_comments": "0", "infill_overlap": "25%", "min_bead_width": "85%", "raft_expansion": "1.5", "retract_length": "0.8", "skirt_distance": "6", "travel_speed_z": "0", "bed_temperature": "60", "brim_separation": "0", "deretract_speed": "0", "extruder_colour": "\\"\\"", "extruder_offset": "0x0", "extrusion_width": "0.45", "filament_colour": "#3A7BD5", "infill_extruder": "1", "ironing_spacing": "0.1", "max_print_speed": "80", "min_print_speed": "10", "nozzle_diameter": "0.4", "ooze_prevention": "0", "perimeter_speed": "45", "remaining_times": "1", "bridge_fan_speed": "100", "complete_objects": "0", "extra_perimeters": "1", "filament_density": "1.24", "filament_soluble": "0", "gap_fill_enabled": "1", "gcode_resolution": "0.0125", "interface_shells": "0", "ironing_flowrate": "15%", "max_layer_height": "0", "max_print_height": "220", "min_feature_size": "25%", "min_layer_height": "0.07", "min_skirt_length": "0", "support_material": "0", "toolchange_gcode": "", "top_fill_pattern": "monotonic", "top_solid_layers": "4", "use_volumetric_e": "0", "wipe_into_infill": "0", "wipe_tower_width": "60", "bridge_flow_ratio": "1", "filament_diameter": "1.75", "first_layer_speed": "20", "infill_anchor_max": "50", "pause_print_gcode": "M601", "print_settings_id": "sample", "thumbnails_format": "PNG", "wipe_into_objects": "0", "before_layer_gcode": "", "color_change_gcode": "M600", "duplicate_distance": "6", "end_filament_gcode": "\\"; Filament-specific end gcode \\\\n;END gcode for filament\\\\n\\"", "extra_loading_move": "-2", "filament_load_time": "0", "first_layer_height": "0.2", "machine_max_jerk_e": "4.5,4.5", "machine_max_jerk_x": "8,8", "machine_max_jerk_y": "8,8", "machine_max_jerk_z": "0.4,0.4", "perimeter_extruder": "1", "printer_technology": "FFF", "retract_lift_above": "0", "retract_lift_below": "0", "solid_infill_speed": "60", "bottom_fill_pattern": "monotonic", "bottom_solid_layers": "3", "bridge_acceleration": "600", "cooling_tube_length": "5", "gcode_label_objects": "0", "gcode_substitutions": "", "infill_acceleration": "1200", "infill_every_layers": "1", "perimeter_generator": "arachne", "printer_settings_id": "sample", "retract_before_wipe": "0%", "sampleslicer_config": "end", "wipe_tower_bridging": "10", "default_acceleration": "1000", "dont_support_bridges": "1", "extrusion_multiplier": "1", "fan_below_layer_time": "60", "filament_settings_id": "sample", "filament_unload_time": "0", "full_fan_speed_layer": "0", "fuzzy_skin_thickness": "0.3", "machine_limits_usage": "emit_to_gcode", "max_volumetric_speed": "0", "retract_layer_change": "0", "slice_closing_radius": "0.049", "start_filament_gcode": "\\"; Filament gcode\\\\n\\"", "xy_size_compensation": "0", "between_objects_gcode": "", "filament_spool_weight": "0", "fuzzy_skin_point_dist": "0.8", "raft_contact_distance": "0.1", "retract_before_travel": "2", "retract_restart_extra": "0", "small_perimeter_speed": "25", "solid_infill_extruder": "1", "support_material_auto": "1", "template_custom_gcode": "", "variable_layer_height": "1", "wall_transition_angle": "10", "wipe_tower_brim_width": "2", "wiping_volumes_matrix": "0,140,140,140,140,140,0,140,140,140,140,140,0,140,140,140,140,140,0,140,140,140,140,140,0", "clip_multipart_objects": "1", "filament_cooling_moves": "4", "filament_loading_speed": "28", "infill_extrusion_width": "0.45", "machine_max_feedrate_e": "120,80", "machine_max_feedrate_x": "200,170", "machine_max_feedrate_y": "200,170", "machine_max_feedrate_z": "12,12", "output_filename_format": "[input_filename_base].gcode", "parking_pos_retraction": "92", "perimeter_acceleration": "800", "support_material_angle": "0", "support_material_speed": "60", "support_material_style": "grid", "top_solid_infill_speed": "30", "wall_transition_length": "100%", "cooling_tube_retraction": "91.5", "first_layer_temperature": "220", "machine_min_travel_rate": "0,0", "solid_infill_below_area": "70", "top_solid_min_thickness": "0", "use_firmware_retraction": "0", "wall_distribution_count": "1", "disable_fan_first_layers": "3", "external_perimeter_speed": "30", "filament_unloading_speed": "90", "first_layer_acceleration": "500", "infill_only_where_needed": "0", "raft_first_layer_density": "90%", "support_material_pattern": "rectilinear", "support_material_spacing": "2.5", "use_relative_e_distances": "0", "wiping_volumes_extruders": "70,70,70,70,70,70,70,70,70,70", "avoid_crossing_perimeters": "0", "elefant_foot_compensation": "0", "external_perimeters_first": "0", "extruder_clearance_height": "20", "extruder_clearance_radius": "20", "filament_toolchange_delay": "0", "perimeter_extrusion_width": "0.45", "retract_length_toolchange": "10", "slowdown_below_layer_time": "5", "solid_infill_every_layers": "0", "standby_temperature_delta": "-5", "support_material_extruder": "1", "wipe_tower_rotation_angle": "0", "bottom_solid_min_thickness": "0", "machine_max_acceleration_e": "5000,2500", "machine_max_acceleration_x": "2500,1250", "machine_max_acceleration_y": "2500,1250", "machine_max_acceleration_z": "400,200", "machine_min_extruding_rate": "0,0", "raft_first_layer_expansion": "3", "support_material_threshold": "0", "top_infill_extrusion_width": "0.4", "filament_ramming_parameters": "\\"120 100 6.6 6.8 7.2 7.6 7.9 8.2 8.7 9.4 9.9 10.0| 0.05 6.6 0.45 6.8 0.95 7.8 1.45 8.3 1.95 9.7 2.45 10 2.95 7.6 3.45 7.6 3.95 7.6 4.45 7.6 4.95 7.6\\"", "first_layer_bed_temperature": "60", "first_layer_extrusion_width": "0.42", "first_layer_speed_over_raft": "30", "support_material_xy_spacing": "50%", "wipe_tower_no_sparse_layers": "0", "filament_cooling_final_speed": "3.4", "filament_loading_speed_start": "3", "physical_printer_settings_id": "", "solid_infill_extrusion_width": "0.45", "support_material_with_sheath": "1", "filament_max_volumetric_speed": "0", "high_current_on_filament_swap": "0", "filament_cooling_initial_speed": "2.2", "filament_unloading_speed_start": "100", "mmu_segmented_region_max_width": "0", "single_extruder_multi_material": "0", "ensure_vertical_shell_thickness": "0", "machine_max_acceleration_travel": "2500,1250", "support_material_closing_radius": "2", "support_material_enforce_layers": "0", "retract_restart_extra_toolchange": "0", "support_material_buildplate_only": "0", "support_material_extrusion_width": "0", "support_material_interface_speed": "100%", "wall_transition_filter_deviation": "25%", "support_material_contact_distance": "0.2", "support_material_interface_layers": "3", "external_perimeter_extrusion_width": "0.45", "first_layer_acceleration_over_raft": "0", "machine_max_acceleration_extruding": "2000,1000", "support_material_interface_pattern": "rectilinear", "support_material_interface_spacing": "0", "machine_max_acceleration_retracting": "1500,1000", "support_material_interface_extruder": "1", "support_material_synchronize_layers": "0", "avoid_crossing_perimeters_max_detour": "0", "filament_minimal_purge_on_wipe_tower": "15", "only_retract_when_crossing_perimeters": "0", "single_extruder_multi_material_priming": "1", "support_material_bottom_contact_distance": "0", "support_material_bottom_interface_layers": "-1", "support_material_interface_contact_loops": "0", "max_volumetric_extrusion_rate_slope_negative": "0", "max_volumetric_extrusion_rate_slope_positive": "0"}	[]	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:35.648171+00	a9cdeddc-a05e-4891-9dfc-c67491534dd6	{"on": "the file's own limits", "moves": 37915, "causes": {"axes": 3.440800000048057, "flow": 0.0, "asked": 3435.281684210529, "waits": 0.0, "corners": 477.59647208703745, "acceleration": 45.496887834258814}, "waits_s": 0.0, "by_axes_s": 0.0, "by_flow_s": 0.0, "changes_s": [], "flow_step": 0.5, "planned_s": 3961.8158441318733, "at_asked_s": 2832.2709204563084, "by_layer_s": [12.9, 222.2, 78.64, 78.24, 21.51, 20.93, 21.28, 21.66, 21.26, 21.28, 21.36, 21.17, 21.6, 20.93, 21.29, 21.62, 21.26, 20.94, 21.29, 21.64, 21.6, 21.57, 21.26, 21.26, 21.26, 21.26, 21.26, 21.43, 21.07, 21.61, 21.43, 21.07, 21.61, 20.94, 21.28, 21.28, 21.28, 21.29, 21.65, 21.61, 21.25, 21.28, 21.28, 21.28, 21.64, 21.57, 20.93, 92.93, 66.5, 65.94, 107.64, 16.2, 15.82, 16.16, 15.79, 15.64, 15.83, 15.82, 15.82, 15.82, 16.16, 15.83, 15.82, 15.82, 16.12, 15.81, 15.82, 15.82, 15.82, 15.82, 15.82, 16.17, 16.13, 16.15, 16.1, 16.17, 16.1, 15.82, 16.17, 16.17, 16.1, 16.1, 15.83, 16.16, 16.16, 15.83, 15.82, 16.13, 15.81, 16.12, 16.11, 16.15, 16.16, 15.82, 15.83, 15.83, 16.16, 16.16, 16.17, 16.17, 16.12, 15.8, 15.82, 15.82, 16.17, 15.82, 16.16, 16.16, 15.76, 16.17, 15.82, 15.82, 15.82, 16.15, 15.82, 16.12, 16.13, 16.15, 15.82, 16.15, 16.09, 16.16, 67.89, 47.95, 47.89, 80.04, 8.94, 8.8, 8.87, 8.94, 8.94, 8.94, 8.94, 8.88, 8.81, 8.86, 8.94, 8.94, 8.94, 8.95, 8.94, 8.95, 8.95, 8.95, 8.95, 8.89, 8.86, 8.94, 8.95, 8.95, 8.95, 9.08, 8.87, 8.95, 8.95, 8.95, 8.95, 8.9, 8.87, 9.08, 8.87, 8.89, 9.0, 8.86, 8.95, 9.08, 8.82, 8.87, 8.9, 8.82, 8.87, 8.9, 8.82, 8.87, 9.09, 8.87, 8.95, 8.95, 8.95, 8.94, 8.94, 9.07, 8.96, 8.89, 8.86, 8.95, 8.95, 8.95, 8.95, 8.94, 8.9, 8.82, 8.83, 8.81, 8.81, 8.86, 8.89, 8.79, 8.8, 8.87, 8.95, 8.9, 8.87, 8.89, 8.81, 8.81, 8.84, 8.93, 8.89, 8.81, 8.81, 8.8, 8.84, 8.94, 8.87, 8.79, 9.0, 8.86, 8.9, 8.85, 8.89, 8.8, 22.39, 18.08, 18.08, 27.4], "by_speed_s": [10.55, 0.22, 7.04, 369.81, 87.04, 1550.92, 87.31, 10.65, 580.01, 131.38, 232.02, 193.8, 76.92, 198.65, 298.28, 1.8, 2.83, 0.55, 21.2, 18.87, 20.19, 8.11, 18.9, 20.29, 2.85, 10.8, 0.0, 0.81], "speed_step": 5.0, "speeding_s": 1129.5449236755649, "by_feature_s": {"Custom": 16.3, "Perimeter": 816.79, "Skirt/Brim": 10.2, "Solid infill": 520.76, "Bridge infill": 148.99, "Internal infill": 1113.93, "Top solid infill": 177.64, "External perimeter": 1157.2}, "by_flow_step_s": [230.36, 0.41, 97.37, 236.61, 1487.75, 57.32, 455.0, 358.63, 272.83, 197.12, 238.78, 329.09, 0.49, 0.06]}	\N	\N
\.


--
-- Data for Name: specimen; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.specimen (study_id, run_id, blind_code, "position", id, bagged_at) FROM stdin;
69181110-dda1-41c6-91b3-af63d5290220	f57c4cf8-f401-426a-ab35-537b98be7bf4	3T9	0.3214153116697551	7d2ebeaa-b7fd-46c9-af48-c12e8619e7d5	2026-11-27 01:40:34.527353+00
69181110-dda1-41c6-91b3-af63d5290220	e1976b55-abc4-4c83-a60e-8086b86bedb6	ET3	0.28683903790362464	cafd02ba-2045-49f5-a7f3-f1ed0cd04647	2026-11-27 01:40:34.916536+00
69181110-dda1-41c6-91b3-af63d5290220	494821c6-a594-4a82-a53f-60caf9cfe1a3	WAC	0.7852460899785404	344588d9-8112-4367-81c6-17aa04f2de37	2026-11-27 01:40:35.442727+00
69181110-dda1-41c6-91b3-af63d5290220	d671b678-1004-4e59-a0ed-32fbaade828b	M69	0.8708905957869708	4a5aa818-34eb-4fe9-804d-bba73c91341b	2026-11-27 01:40:35.942272+00
\.


--
-- Data for Name: spool; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.spool (code, maker, material, colour, diameter_mm, density_g_cm3, price_per_kg, dried_on, version, id, lot, empty_g, currency, priced_on) FROM stdin;
S-630c	Wendle Works	PLA	moss	1.75	1.24	20	\N	1	630c4fe8-e7b3-42e8-9def-b678bdc7bf86		\N	CHF	2026-11-27
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
Small	Which?	CHF	5	2026-11-27 01:40:16.506179+00	\N	0.31	18	6	10	0.5	4000	0.05	2	69181110-dda1-41c6-91b3-af63d5290220	d3d89899f5befe7c31059163c58b3d42999fd35a901f4eaa3855b3eccf55eca6
\.


--
-- Data for Name: study_unit; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.study_unit (study_id, unit_id, is_control, "position", id, not_recommended) FROM stdin;
69181110-dda1-41c6-91b3-af63d5290220	c22fddaf-fa40-4985-81b3-63b6564943cd	f	0	c2bb49c8-6d62-4ae1-99df-e82d298182d6	
69181110-dda1-41c6-91b3-af63d5290220	d1185b34-6599-4f0f-8f22-7735dabeaa0d	f	1	893fe362-b714-4caf-b40e-72ed2e57a96a	
\.


--
-- Data for Name: unit; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.unit (model_id, mark, serial, obtained, obtained_from, received_on, version, id, disclosure, first_power_on) FROM stdin;
0842ed3c-ef9f-4d20-b070-c07465c0d7b8	0	\N	bought	\N	\N	2	c22fddaf-fa40-4985-81b3-63b6564943cd		\N
c1fc4032-5d7a-4d61-80a4-680ceccc31e8	1	\N	bought	\N	\N	2	d1185b34-6599-4f0f-8f22-7735dabeaa0d		\N
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
99183252-0f9e-44e2-9ab1-2daa41d01705	c22fddaf-fa40-4985-81b3-63b6564943cd	69181110-dda1-41c6-91b3-af63d5290220	400	0	0	\N	\N	2026-11-27	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:17.368325+00	CHF
37f65e3b-643e-47ec-b6f5-287eb00bd429	d1185b34-6599-4f0f-8f22-7735dabeaa0d	69181110-dda1-41c6-91b3-af63d5290220	520	0	0	\N	\N	2026-11-27	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:17.459348+00	CHF
\.


--
-- Data for Name: upload; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.upload (sha256, size, content, received_at) FROM stdin;
42d861c2df36cf808e1b566b502efff207f1b09eed7954d7a08ee6811877e319	2	\\x3b0a	2026-11-20 06:00:00+00
8b085291c0fe77bc79383aca325654f4161a54be102c50b6b5fb165a0744cc9c	2	\\x3b0a	2026-11-20 06:00:00+00
\.


--
-- Data for Name: zero_check; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.zero_check (instrument_id, value, person_id, taken_at, recorded_at, id) FROM stdin;
2eb970fa-7c9a-43b0-8a67-55ec74df28e5	0	c48c296a-4af4-4f4e-a0e4-9c600324754d	2026-11-27 01:40:36.073479+00	2026-11-27 01:40:36.074908+00	99fcad85-2daf-4e74-b3d4-68b76dc8971e
\.


--
-- Name: audit_entry_id_seq; Type: SEQUENCE SET; Schema: public; Owner: -
--

SELECT pg_catalog.setval('public.audit_entry_id_seq', 181, true);


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

\unrestrict c4yb8SOeXjkfddZTVfsM3GW42McV0a9xrD4FpWDG6G5AhUrt1ZFTbGk3r7D3cFk

