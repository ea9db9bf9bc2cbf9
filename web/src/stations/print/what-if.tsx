import { useQuery } from "@tanstack/react-query";
import { Slider } from "radix-ui";
import { useEffect, useState } from "react";
import { api, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { duration, Trouble } from "../../parts/bits";
import { text } from "./text";

const FACTORS = [0.25, 0.35, 0.5, 0.7, 1, 1.4, 2, 2.8, 4];
const FLOWS = [null, 2, 3, 4, 5, 6, 8, 10, 12, 15, 18, 22, 26, 32, 40];
const SETTLES_MS = 150;

/** The print planned anew with other limits of its machine, as sliders are moved. */
export function WhatIf({ studyId, jobId, fileId }: { studyId: string; jobId: string; fileId: string }) {
  const [asked, setAsked] = useState({ acceleration: 4, corner: 4, flow: 0 });
  const [settled, setSettled] = useState(asked);
  useEffect(() => {
    const soon = setTimeout(() => setSettled(asked), SETTLES_MS);
    return () => clearTimeout(soon);
  }, [asked]);
  const query = {
    acceleration: FACTORS[settled.acceleration]!,
    corner: FACTORS[settled.corner]!,
    ...(FLOWS[settled.flow] ? { flow: FLOWS[settled.flow]! } : {}),
  };
  const found = useQuery({
    queryKey: keys.job(studyId, jobId, "what-if", fileId, query.acceleration, query.corner, query.flow ?? 0),
    queryFn: () =>
      unwrap(api.GET("/api/jobs/{job_id}/what-if", { params: { path: { job_id: jobId }, query } })),
    placeholderData: (before) => before,
    retry: false,
  });
  const touched = asked.acceleration !== 4 || asked.corner !== 4 || asked.flow !== 0;
  const times = (n: number) => (n === 1 ? text.whatIf.asItIs : text.whatIf.times(n));
  const flow = FLOWS[asked.flow];
  return (
    <section aria-label={text.whatIf.title}>
      <h2 className="lab pt-3 pb-1">{text.whatIf.title}</h2>
      <div className="grid grid-cols-3 gap-x-6 gap-y-1 max-[760px]:grid-cols-1">
        <Turn
          name={text.whatIf.acceleration}
          value={times(FACTORS[asked.acceleration]!)}
          at={asked.acceleration}
          most={FACTORS.length - 1}
          change={(acceleration) => setAsked({ ...asked, acceleration })}
        />
        <Turn
          name={text.whatIf.corner}
          value={times(FACTORS[asked.corner]!)}
          at={asked.corner}
          most={FACTORS.length - 1}
          change={(corner) => setAsked({ ...asked, corner })}
        />
        <Turn
          name={text.whatIf.flow}
          value={flow ? text.whatIf.melts(flow) : text.whatIf.asItIs}
          at={asked.flow}
          most={FLOWS.length - 1}
          change={(next) => setAsked({ ...asked, flow: next })}
        />
      </div>
      <Trouble error={found.error} />
      {found.data && !found.error && (
        <p className="pt-1" aria-live="polite">
          <b className="num">{duration(found.data.planned_s)}</b>{" "}
          <span className="text-small text-ink-2">{touched ? found.data.says : text.whatIf.how}</span>
        </p>
      )}
    </section>
  );
}

function Turn({
  name,
  value,
  at,
  most,
  change,
}: {
  name: string;
  value: string;
  at: number;
  most: number;
  change: (at: number) => void;
}) {
  return (
    <div>
      <p className="flex justify-between text-small">
        {name} <span className="num">{value}</span>
      </p>
      <Slider.Root
        className="relative flex h-6 touch-none items-center"
        min={0}
        max={most}
        step={1}
        value={[at]}
        onValueChange={([v]) => change(v ?? 0)}
      >
        <Slider.Track className="relative h-1 w-full rounded bg-[var(--track)]">
          <Slider.Range className="absolute h-full rounded bg-[var(--c2)]" />
        </Slider.Track>
        <Slider.Thumb
          aria-label={name}
          aria-valuetext={value}
          className="block h-4 w-2 rounded-[2px] bg-ink"
        />
      </Slider.Root>
    </div>
  );
}
