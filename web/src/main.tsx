import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import {
  createRootRoute,
  createRoute,
  createRouter,
  lazyRouteComponent,
  Outlet,
  RouterProvider,
  useParams,
} from "@tanstack/react-router";
import { Tooltip } from "radix-ui";
import { StrictMode, Suspense } from "react";
import { createRoot } from "react-dom/client";
import { Refusal } from "./api/client";
import { useMe, WHO } from "./api/queries";
import { KeyBoard } from "./app/keys";
import { OutboxKeeper } from "./app/outbox";
import { Shell } from "./app/shell";
import { LinkPage, SignIn } from "./app/sign-in";
import { RATER_STATIONS, type StationId } from "./app/stations";
import { StudiesPage } from "./app/studies";
import { Empty, Skeleton } from "./parts/bits";
import { SourceDrawer } from "./parts/source-drawer";
import "./theme.css";
import { text } from "./app/text";

const SCREENS = {
  plan: lazyRouteComponent(() => import("./stations/plan")),
  receive: lazyRouteComponent(() => import("./stations/receive")),
  print: lazyRouteComponent(() => import("./stations/print")),
  measure: lazyRouteComponent(() => import("./stations/measure")),
  inspect: lazyRouteComponent(() => import("./stations/inspect")),
  cost: lazyRouteComponent(() => import("./stations/cost")),
  rank: lazyRouteComponent(() => import("./stations/rank")),
  publish: lazyRouteComponent(() => import("./stations/publish")),
};
/** A station's code is there before it is shown: React shows what stood in for it a third of a second at least. */
const loadScreen = (station: string | undefined) => SCREENS[station as StationId]?.preload?.();

function Root() {
  const me = useMe();
  if (window.location.pathname === "/link") return <Outlet />;
  if (me.isPending) return null;
  // Open to an audience and to readers, who have no account.
  if (/^\/(ballot|read)\//.test(window.location.pathname)) return <Outlet />;
  if (me.isError)
    return (
      <Empty title={text.theServerDoesNotAnswer}>
        <p>{text.nothingWasLostThisPage}</p>
      </Empty>
    );
  if (!me.data.person_id) return <SignIn needsOwner={me.data.needs_owner} />;
  return (
    <KeyBoard>
      <OutboxKeeper />
      <SourceDrawer>
        <Outlet />
      </SourceDrawer>
    </KeyBoard>
  );
}

function Station() {
  const { studyId, station } = useParams({ from: "/study/$studyId/$station" });
  const me = useMe();
  const Body = SCREENS[station as StationId];
  const closed = me.data?.role === "rater" && !RATER_STATIONS.includes(station as StationId);
  return (
    <Shell studyId={studyId} active={station}>
      {!Body || closed ? (
        <Empty title={closed ? text.notOpenToRaters : text.thereIsNoSuchStation}>
          <p>{closed ? text.machinesStayHiddenWhileThe : text.chooseOneOfTheEight}</p>
        </Empty>
      ) : (
        <Suspense fallback={<Skeleton className="h-full" />}>
          <Body studyId={studyId} />
        </Suspense>
      )}
    </Shell>
  );
}

const root = createRootRoute({ component: Root });
const routes = root.addChildren([
  createRoute({ getParentRoute: () => root, path: "/", component: StudiesPage }),
  createRoute({ getParentRoute: () => root, path: "/link", component: LinkPage }),
  createRoute({
    getParentRoute: () => root,
    path: "/study/$studyId/$station",
    component: Station,
    loader: ({ params }) => loadScreen(params.station),
  }),
  createRoute({
    getParentRoute: () => root,
    path: "/ballot/$key",
    component: lazyRouteComponent(() => import("./public/ballot"), "BallotPage"),
  }),
  createRoute({
    getParentRoute: () => root,
    path: "/read/$key",
    component: lazyRouteComponent(() => import("./public/reader"), "ReaderPage"),
  }),
  createRoute({
    getParentRoute: () => root,
    path: "/machine/$unitId",
    component: lazyRouteComponent(() => import("./life"), "MachinePage"),
  }),
  createRoute({
    getParentRoute: () => root,
    path: "/packages",
    component: lazyRouteComponent(() => import("./others"), "PackagesPage"),
  }),
  createRoute({
    getParentRoute: () => root,
    path: "/old-bench",
    component: lazyRouteComponent(() => import("./afterwards"), "OldBenchPage"),
  }),
  createRoute({
    getParentRoute: () => root,
    path: "/library/$kind",
    component: lazyRouteComponent(() => import("./library"), "LibraryPage"),
  }),
  createRoute({
    getParentRoute: () => root,
    path: "/people",
    component: lazyRouteComponent(() => import("./app/people"), "PeoplePage"),
  }),
  createRoute({
    getParentRoute: () => root,
    path: "/account",
    component: lazyRouteComponent(() => import("./app/account"), "AccountPage"),
  }),
  createRoute({
    getParentRoute: () => root,
    path: "/api-docs",
    component: lazyRouteComponent(() => import("./app/api-docs"), "ApiDocsPage"),
  }),
]);
/** A fault of ours in one screen; what was entered before is with the server or kept on this device. */
function Fault() {
  return (
    <Empty title={text.thisScreenMetAFault}>
      <p>{text.whatYouKeptIsSafe}</p>
      <button type="button" className="button primary" onClick={() => window.location.reload()}>
        {text.reload}
      </button>
    </Empty>
  );
}

const router = createRouter({ routeTree: routes, defaultPreload: "intent", defaultErrorComponent: Fault });
declare module "@tanstack/react-router" {
  interface Register {
    router: typeof router;
  }
}

const client = new QueryClient({
  defaultOptions: {
    queries: {
      retry: (count, error) => !(error instanceof Refusal) && count < 2,
      staleTime: 2_000,
    },
  },
});

// Who is here is asked, and the screen's code loaded, while the page is made.
void client.prefetchQuery(WHO);
loadScreen(window.location.pathname.match(/^\/study\/[^/]+\/(\w+)/)?.[1]);

createRoot(document.getElementById("root")!).render(
  <StrictMode>
    <QueryClientProvider client={client}>
      <Tooltip.Provider delayDuration={300}>
        <RouterProvider router={router} />
      </Tooltip.Provider>
    </QueryClientProvider>
  </StrictMode>,
);
