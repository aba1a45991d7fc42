import { lazy } from 'react';
import { BrowserRouter, matchRoutes, type RouteObject, useLocation, useRoutes } from 'react-router';
import { Guard } from './Broken';
import { Frame } from './Frame';

type View = () => Promise<React.ComponentType>;

/** Where each view is; it is loaded when somebody comes to it, or when the phone has nothing else to do. */
const VIEWS: [path: string, view: View][] = [
  ['/', () => import('../orchard/Welcome').then((is) => is.Welcome)],
  ['/join', () => import('./Join').then((is) => is.Join)],
  ['/come', () => import('../crew/ComingPage').then((is) => is.ComingPage)],
  ['/sites/new', () => import('../orchard/SiteForm').then((is) => is.AddSite)],
  ['/sites/:siteId', () => import('../orchard/OrchardView').then((is) => is.OrchardView)],
  ['/sites/:siteId/today', () => import('../today/TodayView').then((is) => is.TodayView)],
  ['/sites/:siteId/mine', () => import('../crew/MyPage').then((is) => is.MyPage)],
  ['/sites/:siteId/history', () => import('../history/HistoryView').then((is) => is.HistoryView)],
  ['/sites/:siteId/settings', () => import('../orchard/SiteForm').then((is) => is.EditSite)],
  ['/sites/:siteId/figures', () => import('../figures/FiguresView').then((is) => is.FiguresView)],
  ['/sites/:siteId/bulk', () => import('../bulk/BulkView').then((is) => is.BulkView)],
  ['/sites/:siteId/walk', () => import('../survey/WalkPicker').then((is) => is.WalkPicker)],
  ['/sites/:siteId/waiting', () => import('../waiting/Waiting').then((is) => is.WaitingView)],
  ['/sites/:siteId/waiting/:key', () => import('../waiting/HeldItem').then((is) => is.HeldItem)],
  ['/sites/:siteId/trees/new', () => import('../orchard/TreeForm').then((is) => is.AddTree)],
  ['/sites/:siteId/trees/:treeId', () => import('../tree/TreePage').then((is) => is.TreePage)],
  ['/sites/:siteId/trees/:treeId/owner', () => import('../tree/OwnersPage').then((is) => is.OwnersPage)],
  ['/sites/:siteId/trees/:treeId/edit', () => import('../orchard/TreeForm').then((is) => is.EditTree)],
  [
    '/sites/:siteId/trees/:treeId/replace',
    () => import('../orchard/ReplaceTree').then((is) => is.ReplaceTree),
  ],
  ['/sites/:siteId/trees/:treeId/walk', () => import('../survey/WalkView').then((is) => is.WalkView)],
  ['/sites/:siteId/season', () => import('../season/SeasonView').then((is) => is.SeasonView)],
  ['/sites/:siteId/season/:species', () => import('../season/KindView').then((is) => is.KindView)],
  ['/sites/:siteId/plan', () => import('../programme/ProgrammeView').then((is) => is.ProgrammeView)],
  ['/sites/:siteId/days', () => import('../crew/DaysView').then((is) => is.DaysView)],
  ['/sites/:siteId/days/:dayId', () => import('../crew/DayPage').then((is) => is.DayPage)],
  ['/sites/:siteId/days/:dayId/sheet', () => import('../crew/DaySheet').then((is) => is.DaySheet)],
  ['/sites/:siteId/days/:dayId/log', () => import('../visit/LogPicker').then((is) => is.LogDay)],
  ['/sites/:siteId/people', () => import('../crew/PeopleView').then((is) => is.PeopleView)],
  ['/sites/:siteId/letters', () => import('../crew/LettersView').then((is) => is.LettersView)],
  ['/sites/:siteId/tasks', () => import('../crew/TasksView').then((is) => is.TasksView)],
  ['/sites/:siteId/incidents', () => import('../crew/IncidentsView').then((is) => is.IncidentsView)],
  ['/sites/:siteId/answer', () => import('../answer/AnswerView').then((is) => is.AnswerView)],
  ['/sites/:siteId/harvest', () => import('../fruit/HarvestView').then((is) => is.HarvestView)],
  ['/sites/:siteId/thinning', () => import('../fruit/ThinningView').then((is) => is.ThinningView)],
  ['/sites/:siteId/looks', () => import('../wood/LooksView').then((is) => is.LooksView)],
  ['/sites/:siteId/removals', () => import('../wood/RemovalsView').then((is) => is.RemovalsView)],
  ['/sites/:siteId/hours', () => import('../crew/HoursView').then((is) => is.HoursView)],
  ['/sites/:siteId/labels', () => import('../orchard/LabelsView').then((is) => is.LabelsView)],
  ['/sites/:siteId/log', () => import('../visit/LogPicker').then((is) => is.LogPicker)],
  ['/sites/:siteId/visits/:visitId/log', () => import('../visit/LogView').then((is) => is.LogView)],
];

/** A view as it is read: at once where it was read before it is come to, so that nothing stands in for it first. */
function page([path, view]: [string, View]): RouteObject & { path: string; read: View } {
  let Read: React.ComponentType | undefined;
  const read = async () => (Read ??= await view());
  const Later = lazy(async () => ({ default: await read() }));
  return { path, read, Component: () => (Read ? <Read /> : <Later />) };
}

const PAGES = VIEWS.map(page);

/** Every view has an address; the server answers each of them with this application. */
const ROUTES: RouteObject[] = [
  {
    element: <Frame />,
    children: [...PAGES, { path: '*', element: <p>There is nothing at this address.</p> }],
  },
];

function Views() {
  const { pathname } = useLocation();
  return <Guard at={pathname}>{useRoutes(ROUTES)}</Guard>;
}

export const App = () => (
  <BrowserRouter>
    <Views />
  </BrowserRouter>
);

/** Once the view that was come to is read. */
export async function routed(): Promise<void> {
  const come = matchRoutes(PAGES, window.location)?.at(-1)?.route;
  await PAGES.find((one) => one === come)?.read();
}

/**
 * A phone that goes out of reach has every view with it: those it did not need yet come one after another once the first
 * page has long been shown and there is nothing else to do.
 */
const QUIET_MS = 3_000;
const idle = window.requestIdleCallback ?? ((go: () => void) => window.setTimeout(go, 1));
window.addEventListener('load', () =>
  window.setTimeout(
    () =>
      idle(async () => {
        for (const { read } of PAGES) await read().catch(() => undefined);
      }),
    QUIET_MS,
  ),
);
