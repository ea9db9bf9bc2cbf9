import { ArrowBendUpRight } from "@phosphor-icons/react/dist/csr/ArrowBendUpRight";
import { Explained } from "./hint";

/** The mark of departures from the protocol behind a machine's figures; the drawer of any figure lists them. */
export function Departures({ list }: { list: string[] }) {
  if (list.length === 0) return null;
  const words = `${list.length} ${list.length === 1 ? "departure" : "departures"} from the protocol`;
  return (
    <Explained
      className="inline-flex items-center gap-0.5 rounded bg-brass-wash px-1 text-tiny font-semibold text-brass-ink"
      says={`${words}: ${list.join(" · ")}`}
    >
      <ArrowBendUpRight size={11} weight="bold" aria-hidden="true" />
      {list.length}
      <span className="sr-only"> {words.slice(String(list.length).length + 1)}</span>
    </Explained>
  );
}
