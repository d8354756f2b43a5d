import type { RouteObject } from 'react-router';
import { RouteError } from './shell/RouteError.tsx';
import { Shell } from './shell/Shell.tsx';
import { SlipPage } from './slip/SlipPage.tsx';

/** Every place has an address of its own; all but the first screen are loaded when first gone to. */
export const routes: RouteObject[] = [
  {
    path: '/',
    element: <Shell />,
    errorElement: <RouteError />,
    hydrateFallbackElement: <p className="p-4">Opening…</p>,
    children: [
      {
        // A place that fails leaves the others within reach.
        errorElement: <RouteError />,
        children: [
          { index: true, element: <SlipPage /> },
          {
            path: 'boats/new',
            lazy: async () => ({ Component: (await import('./survey/NewBoatPage.tsx')).NewBoatPage }),
          },
          {
            path: 'boats/:boatId/survey/:areaId?',
            lazy: async () => ({ Component: (await import('./survey/SurveyPage.tsx')).SurveyPage }),
          },
          {
            path: 'boats/:boatId/form',
            lazy: async () => ({ Component: (await import('./hull/HullFormPage.tsx')).HullFormPage }),
          },
          {
            path: 'boats/:boatId/waterline',
            lazy: async () => ({ Component: (await import('./waterline/WaterlinePage.tsx')).WaterlinePage }),
          },
          {
            path: 'boats/:boatId/waterline/walk',
            lazy: async () => ({ Component: (await import('./waterline/WalkPage.tsx')).WalkPage }),
          },
          {
            path: 'boats/:boatId/stands',
            lazy: async () => ({ Component: (await import('./stands/StandsPage.tsx')).StandsPage }),
          },
          {
            path: 'boats/:boatId/findings',
            lazy: async () => ({ Component: (await import('./findings/FindingsPage.tsx')).FindingsPage }),
          },
          {
            path: 'boats/:boatId/systems/:areaId?',
            lazy: async () => ({ Component: (await import('./systems/SystemsPage.tsx')).SystemsPage }),
          },
          {
            path: 'boats/:boatId/systems/:areaId/compare',
            lazy: async () => ({ Component: (await import('./systems/ComparePage.tsx')).ComparePage }),
          },
          {
            path: 'rules',
            lazy: async () => ({ Component: (await import('./systems/RulesPage.tsx')).RulesPage }),
          },
          {
            path: 'tools',
            lazy: async () => ({ Component: (await import('./tools/ToolsPage.tsx')).ToolsPage }),
          },
          {
            path: 'boats/:boatId/log',
            lazy: async () => ({ Component: (await import('./log/LogPage.tsx')).LogPage }),
          },
          {
            path: 'bench',
            lazy: async () => ({ Component: (await import('./bench/BenchChoice.tsx')).BenchChoice }),
          },
          {
            path: 'bench/:areaId',
            lazy: async () => ({ Component: (await import('./bench/BenchPage.tsx')).BenchPage }),
          },
          {
            path: 'window/:areaId',
            lazy: async () => ({ Component: (await import('./window/WindowPage.tsx')).WindowPage }),
          },
          {
            path: 'weather',
            lazy: async () => ({ Component: (await import('./weather/WeatherPage.tsx')).WeatherPage }),
          },
          {
            path: 'materials',
            lazy: async () => ({ Component: (await import('./materials/MaterialsPage.tsx')).MaterialsPage }),
          },
          {
            path: 'materials/:productId',
            lazy: async () => ({ Component: (await import('./materials/SheetPage.tsx')).SheetPage }),
          },
          {
            path: 'yard',
            lazy: async () => ({ Component: (await import('./settings/SettingsPage.tsx')).SettingsPage }),
          },
          { path: '*', element: <RouteError /> },
        ],
      },
    ],
  },
];
