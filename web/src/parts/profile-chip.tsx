import { text } from "./text"; /** Chooses the buyer an answer is for. */
export function ProfileChip({
  value,
  profiles,
  choose,
}: {
  value: string;
  profiles: { id: string; name: string }[];
  choose: (id: string) => void;
}) {
  return (
    <label className="chip">
      <span>{text.forWord}</span>
      <select
        aria-label={text.buyerProfile}
        className="bg-transparent font-semibold"
        value={value}
        onChange={(e) => choose(e.target.value)}
      >
        {profiles.map((p) => (
          <option key={p.id} value={p.id}>
            {p.name}
          </option>
        ))}
      </select>
    </label>
  );
}
