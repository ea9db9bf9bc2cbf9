import { useEffect, useState } from "react";

export type Theme = "light" | "dark";
const STORE = "crevlo.theme";

function initial(): Theme {
  const kept = localStorage.getItem(STORE);
  if (kept === "light" || kept === "dark") return kept;
  return window.matchMedia("(prefers-color-scheme: dark)").matches ? "dark" : "light";
}

/** Light bench or late shift; kept on this device. */
export function useTheme(): [Theme, () => void] {
  const [theme, setTheme] = useState<Theme>(initial);
  useEffect(() => {
    document.documentElement.dataset.theme = theme;
  }, [theme]);
  const toggle = () => {
    const next = theme === "light" ? "dark" : "light";
    localStorage.setItem(STORE, next);
    setTheme(next);
  };
  return [theme, toggle];
}
