--
-- PostgreSQL database dump
--

\restrict AQahtjvYYbIfqJ7chRjccvd26dHeVnOllDjYJbBRz20N2dRfieQvKbbr5RKlkWS

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
    CONSTRAINT ck_arm_name_length CHECK (((length((name)::text) >= 1) AND (length((name)::text) <= 60))),
    CONSTRAINT ck_arm_slicing CHECK (((slicing)::text = ANY ((ARRAY['common'::character varying, 'own'::character varying])::text[]))),
    CONSTRAINT ck_arm_tuning CHECK (((tuning)::text = ANY ((ARRAY['stock'::character varying, 'tuned'::character varying])::text[])))
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
    id uuid NOT NULL,
    CONSTRAINT ck_box_item_found CHECK (((found)::text = ANY ((ARRAY['present'::character varying, 'missing'::character varying, 'damaged'::character varying])::text[])))
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
    kind character varying(24) NOT NULL,
    value double precision NOT NULL,
    said character varying NOT NULL,
    noted_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    version integer NOT NULL,
    id uuid NOT NULL,
    name character varying DEFAULT ''::character varying NOT NULL,
    unit character varying DEFAULT ''::character varying NOT NULL,
    less_is_better boolean NOT NULL,
    state character varying(24),
    CONSTRAINT ck_claim_claimkind CHECK (((kind)::text = ANY ((ARRAY['top speed'::character varying, 'flow'::character varying, 'noise'::character varying, 'printable width'::character varying, 'printable depth'::character varying, 'printable height'::character varying, 'nozzle temperature'::character varying, 'bed temperature'::character varying, 'warm-up time'::character varying, 'weight'::character varying, 'warranty'::character varying, 'other'::character varying])::text[]))),
    CONSTRAINT ck_claim_noise_has_state CHECK ((((kind)::text = 'noise'::text) = (state IS NOT NULL))),
    CONSTRAINT ck_claim_noisestate CHECK (((state)::text = ANY ((ARRAY['standby'::character varying, 'heating'::character varying, 'printing'::character varying, 'printing at its fastest'::character varying])::text[]))),
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
    shape character varying(24) NOT NULL,
    worst double precision NOT NULL,
    best double precision NOT NULL,
    id uuid NOT NULL,
    CONSTRAINT ck_criterion_anchors_differ CHECK ((worst <> best)),
    CONSTRAINT ck_criterion_shape CHECK (((shape)::text = ANY ((ARRAY['linear'::character varying, 'piecewise'::character varying, 'thresholds'::character varying, 'logarithmic'::character varying])::text[]))),
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
    CONSTRAINT ck_defect_score_defect_known CHECK (((defect)::text = ANY ((ARRAY['stringing'::character varying, 'blobs'::character varying, 'shift'::character varying, 'warp'::character varying, 'gaps'::character varying, 'ringing'::character varying, 'foot'::character varying, 'skins'::character varying])::text[]))),
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
    kind character varying(24) NOT NULL,
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
    CONSTRAINT ck_device_devicekind CHECK (((kind)::text = ANY ((ARRAY['power meter'::character varying, 'printer'::character varying, 'sound meter'::character varying, 'caliper'::character varying, 'scale'::character varying])::text[]))),
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
    kind character varying(24) DEFAULT 'length'::character varying NOT NULL,
    unit character varying DEFAULT 'mm'::character varying NOT NULL,
    ends jsonb,
    CONSTRAINT ck_feature_axis_known CHECK (((axis)::text = ANY ((ARRAY['X'::character varying, 'Y'::character varying, 'Z'::character varying, 'D'::character varying])::text[]))),
    CONSTRAINT ck_feature_kind CHECK (((kind)::text = ANY ((ARRAY['length'::character varying, 'diagonal'::character varying, 'thickness'::character varying, 'gap'::character varying, 'pillar'::character varying, 'span'::character varying, 'overhang'::character varying, 'distance'::character varying, 'look'::character varying, 'lift'::character varying])::text[]))),
    CONSTRAINT ck_feature_length_has_axis CHECK ((((kind)::text <> 'length'::text) OR ((nominal > (0)::double precision) AND ((unit)::text = 'mm'::text) AND ((axis)::text <> 'D'::text)))),
    CONSTRAINT ck_feature_nominal_not_negative CHECK ((nominal >= (0)::double precision)),
    CONSTRAINT ck_feature_sense_known CHECK ((sense = ANY (ARRAY['-1'::integer, 0, 1]))),
    CONSTRAINT ck_feature_unit_known CHECK (((unit)::text = ANY ((ARRAY['mm'::character varying, '°'::character varying])::text[])))
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
    CONSTRAINT ck_feature_worth_worth_not_negative CHECK ((worth >= (0)::double precision))
);


--
-- Name: gate; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.gate (
    profile_id uuid NOT NULL,
    kind character varying(24) NOT NULL,
    "limit" double precision NOT NULL,
    what character varying NOT NULL,
    id uuid NOT NULL,
    CONSTRAINT ck_gate_gatekind CHECK (((kind)::text = ANY ((ARRAY['price'::character varying, 'noise'::character varying, 'length'::character varying, 'safety'::character varying, 'success'::character varying])::text[]))),
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
    id uuid NOT NULL,
    CONSTRAINT ck_hypothesis_ruling CHECK (((ruling)::text = ANY ((ARRAY['open'::character varying, 'ruled out'::character varying, 'found'::character varying])::text[])))
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
    CONSTRAINT ck_instrument_instrumentkind CHECK (((kind)::text = ANY ((ARRAY['caliper'::character varying, 'gauge'::character varying, 'scale'::character varying, 'power meter'::character varying, 'sound meter'::character varying, 'thermometer'::character varying])::text[]))),
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
-- Name: log_entry; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.log_entry (
    unit_id uuid NOT NULL,
    person_id uuid NOT NULL,
    kind character varying(24) NOT NULL,
    at timestamp with time zone NOT NULL,
    hours double precision,
    words character varying NOT NULL,
    cost double precision,
    recorded_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    supersedes_id uuid,
    reason character varying,
    id uuid NOT NULL,
    CONSTRAINT ck_log_entry_correction_has_reason CHECK (((supersedes_id IS NULL) = (reason IS NULL))),
    CONSTRAINT ck_log_entry_hours_given CHECK ((((kind)::text <> 'hours'::text) OR (hours IS NOT NULL))),
    CONSTRAINT ck_log_entry_logkind CHECK (((kind)::text = ANY ((ARRAY['hours'::character varying, 'fault'::character varying, 'wear'::character varying, 'maintenance'::character varying, 'part replaced'::character varying, 'fire'::character varying, 'smoke'::character varying, 'tingle'::character varying, 'runaway'::character varying, 'repair'::character varying, 're-opened'::character varying, 'false alarm'::character varying])::text[]))),
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
    run_id uuid NOT NULL,
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
    state character varying(24) DEFAULT 'printing'::character varying NOT NULL,
    fan_percent double precision,
    CONSTRAINT ck_noise_reading_background_range CHECK (((background_db >= (0)::double precision) AND (background_db <= (199)::double precision))),
    CONSTRAINT ck_noise_reading_correction_has_reason CHECK (((supersedes_id IS NULL) = (reason IS NULL))),
    CONSTRAINT ck_noise_reading_distance_positive CHECK ((distance_m > (0)::double precision)),
    CONSTRAINT ck_noise_reading_fan_range CHECK (((fan_percent >= (0)::double precision) AND (fan_percent <= (100)::double precision))),
    CONSTRAINT ck_noise_reading_level_range CHECK (((level_db >= (0)::double precision) AND (level_db <= (199)::double precision))),
    CONSTRAINT ck_noise_reading_noisestate CHECK (((state)::text = ANY ((ARRAY['standby'::character varying, 'heating'::character varying, 'printing'::character varying, 'printing at its fastest'::character varying])::text[])))
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
    value_mm double precision,
    cannot_because character varying,
    instrument_id uuid NOT NULL,
    person_id uuid NOT NULL,
    taken_at timestamp with time zone NOT NULL,
    recorded_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    supersedes_id uuid,
    reason character varying,
    id uuid NOT NULL,
    after_reveal character varying,
    CONSTRAINT ck_reading_correction_has_reason CHECK (((supersedes_id IS NULL) = (reason IS NULL))),
    CONSTRAINT ck_reading_repeat_range CHECK (((repeat >= 1) AND (repeat <= 10))),
    CONSTRAINT ck_reading_value_or_reason CHECK (((value_mm IS NULL) <> (cannot_because IS NULL))),
    CONSTRAINT ck_reading_value_range CHECK (((value_mm > ('-1000'::integer)::double precision) AND (value_mm < (10000)::double precision)))
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
    CONSTRAINT ck_rejection_cause CHECK (((cause)::text = ANY ((ARRAY['machine'::character varying, 'profile'::character varying, 'material'::character varying, 'operator'::character varying, 'power'::character varying, 'unknown'::character varying])::text[]))),
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
    CONSTRAINT ck_run_cause CHECK (((cause)::text = ANY ((ARRAY['machine'::character varying, 'profile'::character varying, 'material'::character varying, 'operator'::character varying, 'power'::character varying, 'unknown'::character varying])::text[]))),
    CONSTRAINT ck_run_ended_has_outcome CHECK (((ended_at IS NULL) = (outcome IS NULL))),
    CONSTRAINT ck_run_ends_after_start CHECK (((ended_at IS NULL) OR (ended_at >= started_at))),
    CONSTRAINT ck_run_energy_has_source CHECK (((energy_kwh IS NULL) = (energy_from IS NULL))),
    CONSTRAINT ck_run_energy_range CHECK (((energy_kwh >= (0)::double precision) AND (energy_low_kwh <= energy_high_kwh))),
    CONSTRAINT ck_run_energyfrom CHECK (((energy_from)::text = ANY ((ARRAY['meter'::character varying, 'trace'::character varying, 'live'::character varying])::text[]))),
    CONSTRAINT ck_run_failure_has_cause CHECK ((((outcome)::text = 'failed'::text) = (cause IS NOT NULL))),
    CONSTRAINT ck_run_layer_range CHECK (((failed_at_layer >= 0) AND (failed_at_layer <= 100000))),
    CONSTRAINT ck_run_outcome CHECK (((outcome)::text = ANY ((ARRAY['done'::character varying, 'failed'::character varying, 'stopped'::character varying])::text[]))),
    CONSTRAINT ck_run_percent_range CHECK (((failed_at_percent >= (0)::double precision) AND (failed_at_percent <= (100)::double precision))),
    CONSTRAINT ck_run_says_what_changed CHECK (((attempt = 1) OR (length((changed)::text) > 0)))
);


--
-- Name: run_event; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.run_event (
    run_id uuid NOT NULL,
    kind character varying(24) NOT NULL,
    at timestamp with time zone NOT NULL,
    note character varying NOT NULL,
    person_id uuid NOT NULL,
    recorded_at timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
    supersedes_id uuid,
    reason character varying,
    id uuid NOT NULL,
    CONSTRAINT ck_run_event_correction_has_reason CHECK (((supersedes_id IS NULL) = (reason IS NULL))),
    CONSTRAINT ck_run_event_runeventkind CHECK (((kind)::text = ANY ((ARRAY['levelling'::character varying, 'warm-up'::character varying, 'printing'::character varying, 'paused'::character varying, 'filament change'::character varying, 'cooling'::character varying, 'removal'::character varying])::text[])))
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
    CONSTRAINT ck_safety_check_check CHECK (((kind)::text = ANY ((ARRAY['mains'::character varying, 'cables'::character varying, 'earth'::character varying, 'runaway'::character varying, 'stop'::character varying, 'screws'::character varying])::text[]))),
    CONSTRAINT ck_safety_check_checkresult CHECK (((result)::text = ANY ((ARRAY['pass'::character varying, 'fail'::character varying])::text[]))),
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
    CONSTRAINT ck_spool_entry_spoolkind CHECK (((kind)::text = ANY ((ARRAY['weighed'::character varying, 'dried'::character varying, 'moisture'::character varying, 'diameter'::character varying])::text[]))),
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
    CONSTRAINT ck_unit_mark_not_negative CHECK ((mark >= 0)),
    CONSTRAINT ck_unit_obtained CHECK (((obtained)::text = ANY ((ARRAY['bought'::character varying, 'lent'::character varying, 'given'::character varying])::text[])))
);


--
-- Name: unit_measure; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.unit_measure (
    unit_id uuid NOT NULL,
    configuration_id uuid NOT NULL,
    person_id uuid NOT NULL,
    kind character varying(24) NOT NULL,
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
    CONSTRAINT ck_unit_measure_correction_has_reason CHECK (((supersedes_id IS NULL) = (reason IS NULL))),
    CONSTRAINT ck_unit_measure_measurekind CHECK (((kind)::text = ANY ((ARRAY['plate width'::character varying, 'plate depth'::character varying, 'left edge not reached'::character varying, 'right edge not reached'::character varying, 'front edge not reached'::character varying, 'back edge not reached'::character varying, 'height reached'::character varying, 'width at full height'::character varying, 'weight'::character varying, 'warm-up, nozzle alone'::character varying, 'warm-up, bed alone'::character varying, 'warm-up, both'::character varying, 'nozzle reached'::character varying, 'bed reached'::character varying, 'speed reached'::character varying, 'flow reached'::character varying, 'colour change'::character varying, 'purge at a colour change'::character varying, 'set-up, first time'::character varying, 'set-up, again'::character varying, 'claim'::character varying])::text[])))
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
0006
\.


--
-- Data for Name: arm; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.arm (protocol_id, "position", name, slicing, tuning, conditions, id) FROM stdin;
3c4ef388-d99b-4819-a6d8-377943a331c5	0	Stock	common	stock	{"bed_c": 60, "walls": 2, "material": null, "nozzle_c": 215, "nozzle_mm": 0.4, "infill_percent": 15, "layer_height_mm": 0.2}	af3521b3-858c-4cad-904a-02fb9b8abb89
\.


--
-- Data for Name: artifact; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.artifact (code, number, name, definition, id, mesh_sha256, licence, source, added_at) FROM stdin;
SB	1	Step block	{"sizes": {}, "built_in": "SB", "shelf_version": 1}	23f259d0-1c0b-4f72-9e96-f472426b629d	\N			2026-11-26 20:44:52.521384+00
\.


--
-- Data for Name: assembly_step; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.assembly_step (unit_id, person_id, name, note, seconds, done_at, version, id) FROM stdin;
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
4ec0a671-f6af-40c7-a92a-f5582411ed72	Repair counter, staffed	0	{}	1	0f84e5c0-ba89-4860-a688-82d87cded4f2
4ec0a671-f6af-40c7-a92a-f5582411ed72	Volunteer evening	1	{"cost": 6, "time": 16, "noise": 18, "energy": 4, "defects": 12, "success": 28, "accuracy": 10, "repeatability": 6}	1	e38fb615-2327-485e-8cb9-733b96c669bd
4ec0a671-f6af-40c7-a92a-f5582411ed72	Workshop batch maker	2	{"cost": 30, "time": 16, "noise": 0, "energy": 6, "defects": 6, "success": 20, "accuracy": 12, "repeatability": 10}	1	1618eb1e-2c4a-4311-b162-7fb2b7325c6f
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
c987dafa-a462-4ad5-8318-fad110685b60	1	0.4	as delivered	as delivered	maker's stock	as delivered	2026-11-26 20:44:52.749809+00	298b7664-7550-408d-9595-c8b14353dd59		
be4df4ee-4509-4490-b90b-5bbe49166ccc	1	0.4	as delivered	as delivered	maker's stock	as delivered	2026-11-26 20:44:52.758484+00	26604412-d2d3-4b5e-ab24-a5d1c13aac41		
\.


--
-- Data for Name: criterion; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.criterion (scheme_id, "position", code, weight, shape, worst, best, id) FROM stdin;
6cc29aa3-d7a3-4885-8d71-850694fa551a	0	accuracy	22	linear	0.2	0.02	5815fc7f-3cc0-47ff-8be3-223beb6cbe75
6cc29aa3-d7a3-4885-8d71-850694fa551a	1	repeatability	12	linear	0.08	0.01	1ef32558-c061-4692-8b1c-96d78c07b8c0
6cc29aa3-d7a3-4885-8d71-850694fa551a	2	defects	16	linear	50	100	a3896684-c270-44b5-8632-7b30f8f48d4a
6cc29aa3-d7a3-4885-8d71-850694fa551a	3	success	16	linear	0.4	1	e49643ee-0986-4ff7-a773-4ca1f3878873
6cc29aa3-d7a3-4885-8d71-850694fa551a	4	time	10	linear	2	0.5	5bebf55e-3e55-4635-97c3-2f68fd8f667d
6cc29aa3-d7a3-4885-8d71-850694fa551a	5	cost	12	linear	6	1	b3432381-59ef-4196-9a00-f9dc7cde697a
6cc29aa3-d7a3-4885-8d71-850694fa551a	6	energy	4	linear	0.3	0.05	54b4e21e-4c5e-4b73-83d0-bd9594233be1
6cc29aa3-d7a3-4885-8d71-850694fa551a	7	noise	8	linear	65	40	bb1cd021-cee0-4408-a0bc-a4acf9cf7a86
\.


--
-- Data for Name: defect_score; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.defect_score (specimen_id, defect, severity, person_id, scored_at, recorded_at, supersedes_id, reason, id, after_reveal) FROM stdin;
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
-- Data for Name: feature; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.feature (artifact_id, "position", code, axis, sense, nominal, method, id, kind, unit, ends) FROM stdin;
23f259d0-1c0b-4f72-9e96-f472426b629d	0	X1	X	1	40	Jaws across the left and right faces, one millimetre below the upper edge.	4c9acf6e-5f02-4d94-a662-0534d79e21c7	length	mm	[[-20.0, -19.99, 9.0], [20.0, -19.99, 9.0]]
23f259d0-1c0b-4f72-9e96-f472426b629d	1	X2	X	1	30	Jaws across the left and right faces, one millimetre below the upper edge.	ed7b15f5-af0f-4f0e-855a-979851f49386	length	mm	[[-15.0, -14.99, 24.0], [15.0, -14.99, 24.0]]
23f259d0-1c0b-4f72-9e96-f472426b629d	2	X3	X	1	17	Jaws across the left and right faces, one millimetre below the upper edge.	80c97a46-73fe-4760-881d-d7e5066c04cc	length	mm	[[-8.5, -8.49, 44.0], [8.5, -8.49, 44.0]]
23f259d0-1c0b-4f72-9e96-f472426b629d	3	Y1	Y	1	40	Jaws across the front and back faces, one millimetre below the upper edge.	edb31a7a-d60a-47eb-b7ed-a4a6df63061a	length	mm	[[19.99, -20.0, 9.0], [19.99, 20.0, 9.0]]
23f259d0-1c0b-4f72-9e96-f472426b629d	4	Y2	Y	1	30	Jaws across the front and back faces, one millimetre below the upper edge.	27661a55-7369-4123-9e1b-dc19c688e8f4	length	mm	[[14.99, -15.0, 24.0], [14.99, 15.0, 24.0]]
23f259d0-1c0b-4f72-9e96-f472426b629d	5	Y3	Y	1	17	Jaws across the front and back faces, one millimetre below the upper edge.	fc492000-449d-4aad-8772-a059ff4034e6	length	mm	[[8.49, -8.5, 44.0], [8.49, 8.5, 44.0]]
23f259d0-1c0b-4f72-9e96-f472426b629d	6	Z1	Z	1	10	Depth rod or jaws from the base to this step.	a22d95f2-4f41-4337-aa5a-2a2bd8379c00	length	mm	[[19.99, -19.99, 0.0], [19.99, -19.99, 10.0]]
23f259d0-1c0b-4f72-9e96-f472426b629d	7	Z2	Z	1	25	Depth rod or jaws from the base to this step.	06aed11e-bfb6-43bd-a30c-b37443874955	length	mm	[[14.99, -14.99, 0.0], [14.99, -14.99, 25.0]]
23f259d0-1c0b-4f72-9e96-f472426b629d	8	Z3	Z	1	45	Depth rod or jaws from the base to this step.	0b65843e-2b68-4ab0-a484-8b772b2e45ed	length	mm	[[8.49, -8.49, 0.0], [8.49, -8.49, 45.0]]
23f259d0-1c0b-4f72-9e96-f472426b629d	9	DX	X	-1	8	Inside jaws in the hole, along X. Take the largest reading.	5424d143-0f06-4120-b0a7-a0137c4086c1	length	mm	[[-4.0, 0.0, 44.99], [4.0, 0.0, 44.99]]
23f259d0-1c0b-4f72-9e96-f472426b629d	10	DY	Y	-1	8	Inside jaws in the hole, along Y. Take the largest reading.	7a327731-9ad6-4a1e-bf03-1ddcccc45ce2	length	mm	[[0.0, -4.0, 44.99], [0.0, 4.0, 44.99]]
\.


--
-- Data for Name: feature_worth; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.feature_worth (name, worth, version, id, is_base) FROM stdin;
\.


--
-- Data for Name: gate; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.gate (profile_id, kind, "limit", what, id) FROM stdin;
0f84e5c0-ba89-4860-a688-82d87cded4f2	length	180	the 180 mm rack arm	a4e10a82-ac24-4fb6-977b-be7bfbd6db36
0f84e5c0-ba89-4860-a688-82d87cded4f2	safety	0		b6974809-df81-45c1-bc14-67eb9d24e4f8
0f84e5c0-ba89-4860-a688-82d87cded4f2	noise	58		5fef995e-6ba7-43cc-9a36-f22ee9fb1633
0f84e5c0-ba89-4860-a688-82d87cded4f2	price	700		1a67aac3-063a-4df8-860f-9040358a2ce3
e38fb615-2327-485e-8cb9-733b96c669bd	safety	0		2023a8e9-776d-4489-bdb3-c40a6a6fd4d9
e38fb615-2327-485e-8cb9-733b96c669bd	noise	55		d120807f-d5dc-44b3-ad76-72d05a7e068e
1618eb1e-2c4a-4311-b162-7fb2b7325c6f	safety	0		74b3b904-4632-478e-955b-db39ab02efd1
1618eb1e-2c4a-4311-b162-7fb2b7325c6f	success	0.5		67840439-09da-4d1c-afa8-5726263a0c90
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
\.


--
-- Data for Name: instrument; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.instrument (code, kind, unit, resolution, u_calibration, repeatability, calibrated_on, version, id, certificate, valid_days) FROM stdin;
C-4ec0	caliper	mm	0.01	0.01	0.01	\N	1	73712212-35ed-4c15-a748-34bc7f63b5b0		365
\.


--
-- Data for Name: job; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.job (study_id, unit_id, artifact_id, spool_id, copy, "position", id, second_spool_id, arm_id) FROM stdin;
4ec0a671-f6af-40c7-a92a-f5582411ed72	be4df4ee-4509-4490-b90b-5bbe49166ccc	23f259d0-1c0b-4f72-9e96-f472426b629d	5f56a2ac-b188-404d-91ee-a6cf42a42da9	1	0	8aa82bde-dfbb-4c5d-841f-273c45493da0	\N	af3521b3-858c-4cad-904a-02fb9b8abb89
4ec0a671-f6af-40c7-a92a-f5582411ed72	c987dafa-a462-4ad5-8318-fad110685b60	23f259d0-1c0b-4f72-9e96-f472426b629d	5f56a2ac-b188-404d-91ee-a6cf42a42da9	1	1	a2d1e391-0718-44cd-919a-7a48e56dc606	\N	af3521b3-858c-4cad-904a-02fb9b8abb89
\.


--
-- Data for Name: log_entry; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.log_entry (unit_id, person_id, kind, at, hours, words, cost, recorded_at, supersedes_id, reason, id) FROM stdin;
\.


--
-- Data for Name: model; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.model (name, bed_x_mm, bed_y_mm, height_mm, list_price, tools, enclosed, version, id, sheet) FROM stdin;
Mesa	220	220	250	\N	1	f	1	10d0d225-f82a-4490-8260-09db242f312e	{"board": "", "hotend": "", "motion": "", "peak_w": null, "extruder": "", "is_round": false, "bed_max_c": null, "keep_outs": [], "top_share": 1.0, "weight_kg": null, "flow_mm3_s": null, "corner_mm_s": null, "nozzle_max_c": null, "top_speed_mm_s": null, "acceleration_mm_s2": null}
Sparrow	220	220	250	\N	1	f	1	dd3a7168-d442-4de9-8492-7a2e0e9670bc	{"board": "", "hotend": "", "motion": "", "peak_w": null, "extruder": "", "is_round": false, "bed_max_c": null, "keep_outs": [], "top_share": 1.0, "weight_kg": null, "flow_mm3_s": null, "corner_mm_s": null, "nozzle_max_c": null, "top_speed_mm_s": null, "acceleration_mm_s2": null}
\.


--
-- Data for Name: model_feature; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.model_feature (model_id, feature_id) FROM stdin;
\.


--
-- Data for Name: noise_reading; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.noise_reading (run_id, level_db, background_db, distance_m, door_shut, instrument_id, person_id, taken_at, recorded_at, supersedes_id, reason, id, state, fan_percent) FROM stdin;
\.


--
-- Data for Name: person; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.person (name, email, role, password_hash, active, created_at, version, id) FROM stdin;
Owner	owner@bench.example	owner	$argon2id$v=19$m=65536,t=3,p=4$gn4ZYZmscgHfQBCnGjStzw$+Bi2nWAOfEh0adbWX4YH7uw1ZerQXejElJGuUO3lVNQ	t	2026-11-26 20:44:50.344769+00	1	f168b2c6-2e04-494d-a2a5-ad498ca6d343
Reviewer	reviewer@bench.example	reviewer	$argon2id$v=19$m=65536,t=3,p=4$vEheyMRMqQ76yu0Is3vaxg$JFtgJQq/FC4wAArtGsY1pFIBPtp2zX6Zw3lyktZoHKM	t	2026-11-26 20:44:50.641509+00	1	2fa35c89-a625-4f22-a9f9-7d117c136102
Rater	rater@bench.example	rater	$argon2id$v=19$m=65536,t=3,p=4$Ib6hBiB21SkD0E0ICUC7fQ$l3ZwwFoxkrgJoJDY6FDjRNr6Ql7UNjfMZIXc5shknWc	t	2026-11-26 20:44:51.053871+00	1	9e53052f-c4a5-4f4c-b98c-b4930b0ad641
Reader	reader@bench.example	reader	$argon2id$v=19$m=65536,t=3,p=4$2fYLtu2oklf4rbz3UTm9HQ$1jVnBFvygDoeRODu379wc7QwtRfBCl5K0dViiXhPzeI	t	2026-11-26 20:44:51.300599+00	1	487f4dd1-f1f1-42df-9876-7134ae88a89a
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
af3521b3-858c-4cad-904a-02fb9b8abb89	0	23f259d0-1c0b-4f72-9e96-f472426b629d	5f56a2ac-b188-404d-91ee-a6cf42a42da9	\N	1	1e5b5a64-5ebf-44a3-be3c-db1b87d6b55b
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
4ec0a671-f6af-40c7-a92a-f5582411ed72	1	1	{"drying": "dried before use", "pieces": "isolating", "material": "same spool", "unattended": "after checks", "most_attempts": 3, "counted_causes": ["machine", "profile", "unknown"]}	2026-11-26 20:44:52.8789+00	2fa35c89-a625-4f22-a9f9-7d117c136102	2026-11-26 20:44:52.878915+00	3	3c4ef388-d99b-4819-a6d8-377943a331c5
\.


--
-- Data for Name: protocol_template; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.protocol_template (name, about, content, person_id, saved_at, version, id) FROM stdin;
\.


--
-- Data for Name: reading; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.reading (specimen_id, feature_id, repeat, value_mm, cannot_because, instrument_id, person_id, taken_at, recorded_at, supersedes_id, reason, id, after_reveal) FROM stdin;
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
4ec0a671-f6af-40c7-a92a-f5582411ed72	1	2026-11-26 20:44:52.546798+00	2fa35c89-a625-4f22-a9f9-7d117c136102	6cc29aa3-d7a3-4885-8d71-850694fa551a
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
6f6abbf6-f2f7-45db-932c-58bcc018346d	2fa35c89-a625-4f22-a9f9-7d117c136102	python-httpx/0.28.1	127.0.0.1	f	2026-11-26 20:44:52.39606+00	2026-11-26 20:44:52.39606+00	\N
\.


--
-- Data for Name: sliced_file; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.sliced_file (job_id, sha256, name, facts, settings, deviations, person_id, received_at, id, motion, withdrawn_at, withdrawn_by) FROM stdin;
\.


--
-- Data for Name: specimen; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.specimen (study_id, run_id, blind_code, "position", id, bagged_at) FROM stdin;
\.


--
-- Data for Name: spool; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.spool (code, maker, material, colour, diameter_mm, density_g_cm3, price_per_kg, dried_on, version, id, lot, empty_g) FROM stdin;
S-5f56	Wendle Works	PLA	moss	1.75	1.24	20	\N	1	5f56a2ac-b188-404d-91ee-a6cf42a42da9		\N
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
Small	Which?	EUR	5	2026-11-26 20:44:52.489579+00	\N	0.31	18	6	10	0.5	4000	0.05	2	4ec0a671-f6af-40c7-a92a-f5582411ed72	c08e176ddeb274d6784a874e2876d9b7052b438e09a9108f0d87a3a60c2fbc5f
\.


--
-- Data for Name: study_unit; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.study_unit (study_id, unit_id, is_control, "position", id, not_recommended) FROM stdin;
4ec0a671-f6af-40c7-a92a-f5582411ed72	c987dafa-a462-4ad5-8318-fad110685b60	f	0	8cf2a968-348f-4895-b71d-5fc620cdf5fb	
4ec0a671-f6af-40c7-a92a-f5582411ed72	be4df4ee-4509-4490-b90b-5bbe49166ccc	f	1	e33bfbff-6763-40aa-b7d0-1d21296f6bb4	
\.


--
-- Data for Name: unit; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.unit (model_id, mark, serial, obtained, obtained_from, received_on, version, id, disclosure, first_power_on) FROM stdin;
10d0d225-f82a-4490-8260-09db242f312e	0	\N	\N	\N	\N	1	c987dafa-a462-4ad5-8318-fad110685b60		\N
dd3a7168-d442-4de9-8492-7a2e0e9670bc	1	\N	\N	\N	\N	1	be4df4ee-4509-4490-b90b-5bbe49166ccc		\N
\.


--
-- Data for Name: unit_measure; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.unit_measure (unit_id, configuration_id, person_id, kind, value, from_c, to_c, instrument_id, note, taken_at, recorded_at, supersedes_id, reason, id, claim_id) FROM stdin;
\.


--
-- Data for Name: unit_price; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.unit_price (id, unit_id, study_id, price_paid, upgrades, residual, day_price, day_price_on, stated_on, person_id, recorded_at) FROM stdin;
\.


--
-- Data for Name: upload; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.upload (sha256, size, content, received_at) FROM stdin;
\.


--
-- Data for Name: zero_check; Type: TABLE DATA; Schema: public; Owner: -
--

COPY public.zero_check (instrument_id, value, person_id, taken_at, recorded_at, id) FROM stdin;
\.


--
-- Name: audit_entry_id_seq; Type: SEQUENCE SET; Schema: public; Owner: -
--

SELECT pg_catalog.setval('public.audit_entry_id_seq', 59, true);


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
    ADD CONSTRAINT uq_gate_profile_id_kind UNIQUE (profile_id, kind);


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
-- Name: ix_job_study_id; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_job_study_id ON public.job USING btree (study_id);


--
-- Name: ix_log_entry_unit_id; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_log_entry_unit_id ON public.log_entry USING btree (unit_id);


--
-- Name: ix_noise_reading_run_id; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_noise_reading_run_id ON public.noise_reading USING btree (run_id);


--
-- Name: ix_photo_subject_id; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_photo_subject_id ON public.photo USING btree (subject_id);


--
-- Name: ix_pin_study_id; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_pin_study_id ON public.pin USING btree (study_id);


--
-- Name: ix_run_event_run_id; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX ix_run_event_run_id ON public.run_event USING btree (run_id);


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
-- Name: log_entry correct_in_place; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER correct_in_place BEFORE INSERT ON public.log_entry FOR EACH ROW EXECUTE FUNCTION public.correct_in_place('unit_id', 'kind');


--
-- Name: noise_reading correct_in_place; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER correct_in_place BEFORE INSERT ON public.noise_reading FOR EACH ROW EXECUTE FUNCTION public.correct_in_place('run_id');


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

\unrestrict AQahtjvYYbIfqJ7chRjccvd26dHeVnOllDjYJbBRz20N2dRfieQvKbbr5RKlkWS

