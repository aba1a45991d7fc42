import { createBrowserRouter } from 'react-router';
import { Frame } from './parts/Frame';
import { OrchardView } from './orchard/OrchardView';
import { AddSite, EditSite } from './orchard/SiteForm';
import { AddTree, EditTree } from './orchard/TreeForm';
import { Welcome } from './orchard/Welcome';
import { TreePage } from './verdict/TreePage';
import { WalkPicker } from './survey/WalkPicker';
import { WalkView } from './survey/WalkView';

/** Every view has an address; the server answers each of them with this application. */
export const router = createBrowserRouter([
  {
    element: <Frame />,
    children: [
      { path: '/', element: <Welcome /> },
      { path: '/sites/new', element: <AddSite /> },
      { path: '/sites/:siteId', element: <OrchardView /> },
      { path: '/sites/:siteId/settings', element: <EditSite /> },
      { path: '/sites/:siteId/walk', element: <WalkPicker /> },
      { path: '/sites/:siteId/trees/new', element: <AddTree /> },
      { path: '/sites/:siteId/trees/:treeId', element: <TreePage /> },
      { path: '/sites/:siteId/trees/:treeId/edit', element: <EditTree /> },
      { path: '/sites/:siteId/trees/:treeId/walk', element: <WalkView /> },
      { path: '*', element: <p>There is nothing at this address.</p> },
    ],
  },
]);
