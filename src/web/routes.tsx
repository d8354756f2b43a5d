import type { RouteObject } from 'react-router';
import { t } from '../words.ts';
import { BoardPage } from './board/BoardPage.tsx';
import { RouteError } from './shell/RouteError.tsx';
import { Shell } from './shell/Shell.tsx';

/** Every place has an address of its own; all but the first screen are loaded when first gone to. */
export const routes: RouteObject[] = [
  {
    path: '/',
    element: <Shell />,
    errorElement: <RouteError inShell={false} />,
    hydrateFallbackElement: <p className="p-4">{t`Opening…`}</p>,
    children: [
      {
        // A place that fails leaves the others within reach.
        errorElement: <RouteError />,
        children: [
          { index: true, handle: { title: t`Board` }, element: <BoardPage /> },
          {
            path: 'boats/new',
            handle: { title: t`Add a boat` },
            lazy: async () => ({ Component: (await import('./survey/NewBoatPage.tsx')).NewBoatPage }),
          },
          {
            path: 'boats/:boatId/survey/:areaId?',
            handle: { title: t`Survey` },
            lazy: async () => ({ Component: (await import('./survey/SurveyPage.tsx')).SurveyPage }),
          },
          {
            path: 'boats/:boatId/form',
            handle: { title: t`Hull form` },
            lazy: async () => ({ Component: (await import('./hull/HullFormPage.tsx')).HullFormPage }),
          },
          {
            path: 'boats/:boatId/waterline',
            handle: { title: t`Waterline` },
            lazy: async () => ({ Component: (await import('./waterline/WaterlinePage.tsx')).WaterlinePage }),
          },
          {
            path: 'boats/:boatId/waterline/walk',
            handle: { title: t`Mark the waterline` },
            lazy: async () => ({ Component: (await import('./waterline/WalkPage.tsx')).WalkPage }),
          },
          {
            path: 'boats/:boatId/stands',
            handle: { title: t`Supports and masked items` },
            lazy: async () => ({ Component: (await import('./stands/StandsPage.tsx')).StandsPage }),
          },
          {
            path: 'boats/:boatId/findings',
            handle: { title: t`Findings` },
            lazy: async () => ({ Component: (await import('./findings/FindingsPage.tsx')).FindingsPage }),
          },
          {
            path: 'boats/:boatId/systems/:areaId?',
            handle: { title: t`Systems` },
            lazy: async () => ({ Component: (await import('./systems/SystemsPage.tsx')).SystemsPage }),
          },
          {
            path: 'boats/:boatId/systems/:areaId/compare',
            handle: { title: t`Compare two systems` },
            lazy: async () => ({ Component: (await import('./systems/ComparePage.tsx')).ComparePage }),
          },
          {
            path: 'reference',
            handle: { title: t`Reference` },
            lazy: async () => ({ Component: (await import('./reference/ReferencePage.tsx')).ReferencePage }),
          },
          {
            path: 'glossary',
            handle: { title: t`Glossary` },
            lazy: async () => ({ Component: (await import('./reference/GlossaryPage.tsx')).GlossaryPage }),
          },
          {
            path: 'rules',
            handle: { title: t`What goes over what` },
            lazy: async () => ({ Component: (await import('./systems/RulesPage.tsx')).RulesPage }),
          },
          {
            path: 'tools',
            handle: { title: t`Measuring tools` },
            lazy: async () => ({ Component: (await import('./tools/ToolsPage.tsx')).ToolsPage }),
          },
          {
            path: 'boats/:boatId/log',
            handle: { title: t`Record` },
            lazy: async () => ({ Component: (await import('./log/LogPage.tsx')).LogPage }),
          },
          {
            path: 'bench',
            handle: { title: t`Bench` },
            lazy: async () => ({ Component: (await import('./bench/BenchChoice.tsx')).BenchChoice }),
          },
          {
            path: 'bench/:areaId',
            handle: { title: t`Bench` },
            lazy: async () => ({ Component: (await import('./bench/BenchPage.tsx')).BenchPage }),
          },
          {
            path: 'window/:areaId',
            handle: { title: t`Window` },
            lazy: async () => ({ Component: (await import('./window/WindowPage.tsx')).WindowPage }),
          },
          {
            path: 'plan',
            handle: { title: t`Plan` },
            lazy: async () => ({ Component: (await import('./plan/PlanPage.tsx')).PlanPage }),
          },
          {
            path: 'plan/today',
            handle: { title: t`Work of the day` },
            lazy: async () => ({ Component: (await import('./plan/TodayPage.tsx')).TodayPage }),
          },
          {
            path: 'plan/rehearsal',
            handle: { title: t`Rehearsal` },
            lazy: async () => ({ Component: (await import('./plan/RehearsalPage.tsx')).RehearsalPage }),
          },
          {
            path: 'plan/practice',
            handle: { title: t`Practice cases` },
            lazy: async () => ({ Component: (await import('./plan/PracticePage.tsx')).PracticePage }),
          },
          {
            path: 'plan/calendar',
            handle: { title: t`Yard calendar` },
            lazy: async () => ({ Component: (await import('./plan/CalendarPage.tsx')).CalendarPage }),
          },
          {
            path: 'weather',
            handle: { title: t`Weather` },
            lazy: async () => ({ Component: (await import('./weather/WeatherPage.tsx')).WeatherPage }),
          },
          {
            path: 'materials',
            handle: { title: t`Materials: needs` },
            lazy: async () => ({ Component: (await import('./stock/NeedPage.tsx')).NeedPage }),
          },
          {
            path: 'materials/buy',
            handle: { title: t`Materials: purchasing` },
            lazy: async () => ({ Component: (await import('./stock/BuyPage.tsx')).BuyPage }),
          },
          {
            path: 'materials/stock',
            handle: { title: t`Materials: stock` },
            lazy: async () => ({ Component: (await import('./stock/StockPage.tsx')).StockPage }),
          },
          {
            path: 'materials/count',
            handle: { title: t`Materials: stock count` },
            lazy: async () => ({ Component: (await import('./stock/CountPage.tsx')).CountPage }),
          },
          {
            path: 'materials/tins/:productId',
            handle: { title: t`Reconcile tins` },
            lazy: async () => ({ Component: (await import('./stock/TinsPage.tsx')).TinsPage }),
          },
          {
            path: 'materials/costs',
            handle: { title: t`Materials: costs` },
            lazy: async () => ({ Component: (await import('./stock/CostsPage.tsx')).CostsPage }),
          },
          {
            path: 'materials/sheets',
            handle: { title: t`Materials: data sheets` },
            lazy: async () => ({ Component: (await import('./materials/MaterialsPage.tsx')).MaterialsPage }),
          },
          {
            path: 'materials/typical',
            handle: { title: t`Typical data sheets` },
            lazy: async () => ({ Component: (await import('./materials/TypicalPage.tsx')).TypicalPage }),
          },
          {
            path: 'materials/:productId',
            handle: { title: t`Data sheet` },
            lazy: async () => ({ Component: (await import('./materials/SheetPage.tsx')).SheetPage }),
          },
          {
            path: 'yard',
            handle: { title: t`Settings` },
            lazy: async () => ({ Component: (await import('./settings/SettingsPage.tsx')).SettingsPage }),
          },
          { path: '*', element: <RouteError /> },
        ],
      },
    ],
  },
];
