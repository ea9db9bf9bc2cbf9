import { keepPreviousData, queryOptions, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, Refusal, type Schemas, setCsrf, unwrap } from "./client";
import { arrive, type Flight, leave } from "./flights";
import { keys } from "./keys";
import { setPerson } from "./outbox";

export const WHO = queryOptions({
  queryKey: keys.me,
  queryFn: async () => {
    const me = await unwrap(api.GET("/api/session"));
    setCsrf(me.csrf);
    setPerson(me.person_id);
    return me;
  },
  staleTime: 60_000,
});

export function useMe() {
  return useQuery({
    ...WHO,
    // A server that was away is asked again, so that what waits here goes out.
    refetchInterval: (q) => (q.state.status === "error" ? 3_000 : false),
  });
}

export function useStudies() {
  return useQuery({ queryKey: keys.studies, queryFn: () => unwrap(api.GET("/api/studies")) });
}

export function useLibrary() {
  return useQuery({ queryKey: keys.library, queryFn: () => unwrap(api.GET("/api/library")) });
}

export function useShelf() {
  return useQuery({
    queryKey: keys.shelf,
    queryFn: () => unwrap(api.GET("/api/shelf")),
    staleTime: Number.POSITIVE_INFINITY,
  });
}

export function useShelfDrawing(ref: string) {
  return useQuery({
    queryKey: keys.shelfPart(ref, "drawing"),
    queryFn: () => unwrap(api.GET("/api/shelf/{ref}/drawing", { params: { path: { ref } } })),
    staleTime: Number.POSITIVE_INFINITY,
  });
}

export type PlateWish = {
  bed_x: number;
  bed_y: number;
  round: boolean;
  keep_out: string;
  spacing: number;
  brim: number;
  turns: 1 | 4 | 8;
  wanted: number;
  sizes: string;
};

export function usePlate(ref: string, wish: PlateWish) {
  return useQuery({
    queryKey: keys.shelfPart(ref, "plate", wish),
    queryFn: ({ signal }) =>
      unwrap(api.GET("/api/shelf/{ref}/plate", { params: { path: { ref }, query: wish }, signal })),
    placeholderData: keepPreviousData,
  });
}

export function useShelfDetail(ref: string, sizes: string) {
  return useQuery({
    queryKey: keys.shelfPart(ref, "detail", sizes),
    queryFn: () => unwrap(api.GET("/api/shelf/{ref}", { params: { path: { ref }, query: { sizes } } })),
  });
}

export function useEffort(studyId: string, draft: Schemas["Draft"]) {
  return useQuery({
    queryKey: keys.part(studyId, "effort", draft),
    queryFn: ({ signal }) =>
      unwrap(
        api.POST("/api/studies/{study_id}/effort", {
          params: { path: { study_id: studyId } },
          body: draft,
          signal,
        }),
      ),
    placeholderData: keepPreviousData,
    staleTime: 60_000,
    retry: false,
  });
}

export function useAnchors() {
  return useQuery({
    queryKey: keys.anchors,
    queryFn: () => unwrap(api.GET("/api/anchors")),
    staleTime: Number.POSITIVE_INFINITY,
  });
}

export function useKinds() {
  return useQuery({
    queryKey: keys.kinds,
    queryFn: () => unwrap(api.GET("/api/feature-kinds")),
    staleTime: Number.POSITIVE_INFINITY,
  });
}

export function useSpreads() {
  return useQuery({ queryKey: keys.spreads, queryFn: () => unwrap(api.GET("/api/spreads")) });
}

export function useCopies(wish: { difference: number; spread: number; copies: number }) {
  return useQuery({
    queryKey: keys.copies(wish),
    queryFn: () => unwrap(api.GET("/api/copies", { params: { query: wish } })),
    enabled: wish.difference > 0 && wish.spread > 0,
    placeholderData: keepPreviousData,
    staleTime: Number.POSITIVE_INFINITY,
  });
}

export function useTemplates() {
  return useQuery({ queryKey: keys.templates, queryFn: () => unwrap(api.GET("/api/templates")) });
}

const study = (id: string) => ({ params: { path: { study_id: id } } });

export function useLine(id: string) {
  return useQuery({
    queryKey: keys.line(id),
    queryFn: () => unwrap(api.GET("/api/studies/{study_id}/line", study(id))),
    enabled: !!id,
    refetchInterval: 30_000,
  });
}

export function usePlan(id: string) {
  return useQuery({
    queryKey: keys.part(id, "plan"),
    queryFn: () => unwrap(api.GET("/api/studies/{study_id}/plan", study(id))),
  });
}

export function useSchedule(id: string) {
  return useQuery({
    queryKey: keys.part(id, "schedule"),
    queryFn: () => unwrap(api.GET("/api/studies/{study_id}/schedule", study(id))),
    refetchInterval: 60_000,
  });
}

export function useBenchRules(id: string) {
  return useQuery({
    queryKey: keys.part(id, "bench-rules"),
    queryFn: () => unwrap(api.GET("/api/studies/{study_id}/bench-rules", study(id))),
  });
}

export function useDay(id: string, day: string | null) {
  return useQuery({
    queryKey: keys.part(id, "day", day),
    queryFn: () =>
      unwrap(
        api.GET("/api/studies/{study_id}/day", {
          params: { path: { study_id: id }, query: day ? { day } : {} },
        }),
      ),
    refetchInterval: 60_000,
  });
}

/** Background work, asked about until it has ended; then the study is read again. */
export function useWork(studyId: string, id: string | null) {
  const client = useQueryClient();
  return useQuery({
    queryKey: keys.work(id),
    queryFn: async () => {
      const work = await unwrap(api.GET("/api/work/{work_id}", { params: { path: { work_id: id! } } }));
      if (!isOpen(work)) void client.invalidateQueries({ queryKey: keys.study(studyId) });
      return work;
    },
    enabled: !!id,
    refetchInterval: (q) => (q.state.data && !isOpen(q.state.data) ? false : 700),
  });
}

export function isOpen(work: Schemas["WorkOut"]): boolean {
  return work.state === "waiting" || work.state === "running";
}

export function useReceive(id: string) {
  return useQuery({
    queryKey: keys.receive(id),
    queryFn: () => unwrap(api.GET("/api/studies/{study_id}/receive", study(id))),
  });
}

/** Everything recorded of one unit. */
export function useUnitRecord(id: string, unitId: string) {
  return useQuery({
    queryKey: keys.record(id, unitId),
    queryFn: () =>
      unwrap(
        api.GET("/api/studies/{study_id}/units/{unit_id}/record", {
          params: { path: { study_id: id, unit_id: unitId } },
        }),
      ),
  });
}

export function usePrint(id: string) {
  return useQuery({
    queryKey: keys.part(id, "print"),
    queryFn: () => unwrap(api.GET("/api/studies/{study_id}/print", study(id))),
    refetchInterval: 5_000,
  });
}

/** The whole bench, as it is now. */
export function useBench(id: string) {
  return useQuery({
    queryKey: keys.part(id, "live"),
    queryFn: () => unwrap(api.GET("/api/studies/{study_id}/live", study(id))),
    refetchInterval: 2_000,
  });
}

/** What a run draws; asked again while it is under way. */
export function useRunPower(studyId: string, runId: string, live: boolean) {
  return useQuery({
    queryKey: keys.run(studyId, runId, "power"),
    queryFn: () => unwrap(api.GET("/api/runs/{run_id}/power", { params: { path: { run_id: runId } } })),
    refetchInterval: live ? 5_000 : false,
  });
}

export function useJob(studyId: string, id: string | null) {
  return useQuery({
    queryKey: keys.job(studyId, id),
    queryFn: () => unwrap(api.GET("/api/jobs/{job_id}", { params: { path: { job_id: id! } } })),
    enabled: !!id,
    refetchInterval: 5_000,
  });
}

/** In what a job's file differs from the other machines' for the same artifact. */
export function useSettings(studyId: string, jobId: string) {
  return useQuery({
    queryKey: keys.job(studyId, jobId, "settings"),
    queryFn: () => unwrap(api.GET("/api/jobs/{job_id}/settings", { params: { path: { job_id: jobId } } })),
  });
}

/** Why one print takes longer than another; asked again while large files are being compared. */
export function useWhy(studyId: string, jobId: string, other: string | null) {
  return useQuery({
    queryKey: keys.job(studyId, jobId, "why", other),
    queryFn: () =>
      unwrap(
        api.GET("/api/jobs/{job_id}/why", { params: { path: { job_id: jobId }, query: { other: other! } } }),
      ),
    enabled: !!other,
    refetchInterval: (q) => (q.state.data?.work && isOpen(q.state.data.work) ? 1_000 : false),
  });
}

export function useMeasure(id: string) {
  return useQuery({
    queryKey: keys.measure(id),
    queryFn: () => unwrap(api.GET("/api/studies/{study_id}/measure", study(id))),
  });
}

export function useSpecimen(studyId: string, id: string | null) {
  return useQuery({
    queryKey: keys.specimen(studyId, id),
    queryFn: () =>
      unwrap(api.GET("/api/specimens/{specimen_id}", { params: { path: { specimen_id: id! } } })),
    enabled: !!id,
  });
}

export function useInspect(id: string) {
  return useQuery({
    queryKey: keys.inspect(id),
    queryFn: () => unwrap(api.GET("/api/studies/{study_id}/inspect", study(id))),
  });
}

export function useCost(id: string, by: Schemas["By"] = "machine") {
  return useQuery({
    queryKey: keys.part(id, "cost", by),
    queryFn: () =>
      unwrap(api.GET("/api/studies/{study_id}/cost", { params: { path: { study_id: id }, query: { by } } })),
    placeholderData: (before) => before,
  });
}

/** A batch of one artifact on every machine; not asked while what was typed is no number of anything. */
export function useBatch(
  id: string,
  wish: { parts: number; line: number; available_h: number; amps: number; volts: number; share: number },
) {
  return useQuery({
    queryKey: keys.part(id, "batch", wish),
    queryFn: ({ signal }) =>
      unwrap(
        api.GET("/api/studies/{study_id}/batch", {
          params: { path: { study_id: id }, query: wish },
          signal,
        }),
      ),
    placeholderData: keepPreviousData,
    gcTime: 20_000,
    retry: false,
  });
}

export function useRank(id: string, whatIf: Schemas["WhatIf"]) {
  return useQuery({
    queryKey: keys.part(id, "rank", whatIf),
    queryFn: ({ signal }) =>
      unwrap(api.POST("/api/studies/{study_id}/rank", { ...study(id), body: whatIf, signal })),
    placeholderData: keepPreviousData,
    gcTime: 20_000,
  });
}

/** Buyers of every study, to copy from. */
export function useBuyers() {
  return useQuery({
    queryKey: keys.buyers,
    queryFn: () => unwrap(api.GET("/api/buyers")),
    staleTime: 0,
  });
}

/** `query` says for whom and with which sections, as an address has it. */
export function usePublish(id: string, query: string) {
  return useQuery({
    queryKey: keys.part(id, "publish", query),
    queryFn: () =>
      unwrap(
        api.GET("/api/studies/{study_id}/publish", {
          params: { path: { study_id: id }, query: Object.fromEntries(new URLSearchParams(query)) },
        }),
      ),
    placeholderData: keepPreviousData,
  });
}

/**
 * Takes up a call's answer as `key`'s data; the rest of the study is read again, and this too where another change
 * was under way meanwhile, of which the answer need not know.
 */
export function useTake<Output>(studyId: string, key: readonly unknown[]) {
  const client = useQueryClient();
  return (data: Output, alone = true) => {
    client.setQueryData(key, data);
    void client.invalidateQueries({
      predicate: (q) =>
        q.queryKey[1] === studyId && !(alone && JSON.stringify(q.queryKey) === JSON.stringify(key)),
    });
  };
}

/**
 * A change: on success its answer replaces `key`'s data and the rest of the study is read again; in a
 * conflict what the other wrote is read, so that the screen shows it beside what was typed.
 */
export function useChange<Input, Output>(
  studyId: string,
  key: readonly unknown[],
  send: (input: Input) => Promise<Output>,
) {
  const client = useQueryClient();
  const take = useTake<Output>(studyId, key);
  return useMutation<Output, Error, Input, Flight>({
    mutationFn: send,
    onMutate: () => leave(studyId),
    onSuccess: (data, _, flight) => take(data, flight.alone),
    onError: (error) => {
      if (!(error instanceof Refusal)) return;
      if (error.status === 401) void client.invalidateQueries({ queryKey: keys.me });
      // What the other wrote may stand on the screen under another key of the same study.
      if (error.status === 409 || error.status === 422)
        void client.invalidateQueries({ queryKey: keys.study(studyId) });
    },
    onSettled: (_data, _error, _input, flight) => {
      if (flight) arrive(flight);
    },
  });
}
