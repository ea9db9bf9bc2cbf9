import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, newId, unwrap } from "../../api/client";
import { keys } from "../../api/keys";
import { Trouble } from "../../parts/bits";
import { text } from "./text";

/** Whether this person has looked round the room lately, as unattended prints want it. */
export function useRoom(asked: boolean) {
  const room = useQuery({
    queryKey: keys.surroundings,
    queryFn: () => unwrap(api.GET("/api/surroundings")),
    enabled: asked,
  });
  return room.data?.until != null;
}

/** The look round the room, asked once in a working day before a print that nobody watches. */
export function Room() {
  const client = useQueryClient();
  const [said, setSaid] = useState({ smoke_alarm: false, clear: false });
  const say = useMutation({
    mutationFn: () => unwrap(api.POST("/api/surroundings", { body: { id: newId(), ...said } })),
    onSuccess: (now) => client.setQueryData(keys.surroundings, now),
  });
  return (
    <fieldset className="caution grid gap-1.5 !text-small">
      <legend className="sr-only">{text.room.title}</legend>
      <p className="font-semibold">{text.room.title}</p>
      {(["smoke_alarm", "clear"] as const).map((what) => (
        <label key={what} className="flex items-baseline gap-2">
          <input
            type="checkbox"
            checked={said[what]}
            onChange={(e) => setSaid({ ...said, [what]: e.target.checked })}
          />
          {text.room[what]}
        </label>
      ))}
      <p>{text.room.defers}</p>
      <button
        type="button"
        className="button justify-self-start"
        disabled={!said.smoke_alarm || !said.clear || say.isPending}
        onClick={() => say.mutate()}
      >
        {text.room.confirm}
      </button>
      <Trouble error={say.error} />
    </fieldset>
  );
}
