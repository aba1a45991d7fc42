import { createBrowserRouter } from 'react-router';
import { DayPage } from '../crew/DayPage';
import { DaySheet } from '../crew/DaySheet';
import { DaysView } from '../crew/DaysView';
import { PeopleView } from '../crew/PeopleView';
import { BulkView } from '../bulk/BulkView';
import { HeldItem } from '../waiting/HeldItem';
import { WaitingView } from '../waiting/Waiting';
import { FiguresView } from '../figures/FiguresView';
import { Frame } from './Frame';
import { OrchardView } from '../orchard/OrchardView';
import { AddSite, EditSite } from '../orchard/SiteForm';
import { AddTree, EditTree } from '../orchard/TreeForm';
import { Welcome } from '../orchard/Welcome';
import { ProgrammeView } from '../programme/ProgrammeView';
import { KindView } from '../season/KindView';
import { SeasonView } from '../season/SeasonView';
import { TreePage } from '../tree/TreePage';
import { WalkPicker } from '../survey/WalkPicker';
import { WalkView } from '../survey/WalkView';
import { LogDay, LogPicker } from '../visit/LogPicker';
import { LogView } from '../visit/LogView';

/** Every view has an address; the server answers each of them with this application. */
export const router = createBrowserRouter([
  {
    element: <Frame />,
    children: [
      { path: '/', element: <Welcome /> },
      { path: '/sites/new', element: <AddSite /> },
      { path: '/sites/:siteId', element: <OrchardView /> },
      { path: '/sites/:siteId/settings', element: <EditSite /> },
      { path: '/sites/:siteId/figures', element: <FiguresView /> },
      { path: '/sites/:siteId/bulk', element: <BulkView /> },
      { path: '/sites/:siteId/walk', element: <WalkPicker /> },
      { path: '/sites/:siteId/waiting', element: <WaitingView /> },
      { path: '/sites/:siteId/waiting/:key', element: <HeldItem /> },
      { path: '/sites/:siteId/trees/new', element: <AddTree /> },
      { path: '/sites/:siteId/trees/:treeId', element: <TreePage /> },
      { path: '/sites/:siteId/trees/:treeId/edit', element: <EditTree /> },
      { path: '/sites/:siteId/trees/:treeId/walk', element: <WalkView /> },
      { path: '/sites/:siteId/season', element: <SeasonView /> },
      { path: '/sites/:siteId/season/:species', element: <KindView /> },
      { path: '/sites/:siteId/plan', element: <ProgrammeView /> },
      { path: '/sites/:siteId/days', element: <DaysView /> },
      { path: '/sites/:siteId/days/:dayId', element: <DayPage /> },
      { path: '/sites/:siteId/days/:dayId/sheet', element: <DaySheet /> },
      { path: '/sites/:siteId/days/:dayId/log', element: <LogDay /> },
      { path: '/sites/:siteId/people', element: <PeopleView /> },
      { path: '/sites/:siteId/log', element: <LogPicker /> },
      { path: '/sites/:siteId/visits/:visitId/log', element: <LogView /> },
      { path: '*', element: <p>There is nothing at this address.</p> },
    ],
  },
]);
