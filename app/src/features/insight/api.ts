import type { Coming, Funnel, OccasionReport, Owed, ReadingFigures, Speed } from '@dossier/contract';
import { api } from '@/lib/api';

/** Who was filed between two days, whose they are, and from where. */
export interface Asked {
  from: string;
  to: string;
  owner?: string;
  occasion?: string;
}

const said = (asked: object): string =>
  new URLSearchParams(Object.entries(asked).filter(([, value]) => value) as [string, string][]).toString();
/** What changes figures. */
const OF = ['Person', 'Opportunity', 'Task', 'Message', 'Tray', 'Figures'] as const;

const insightApi = api.injectEndpoints({
  endpoints: (build) => ({
    occasionReport: build.query<OccasionReport, string>({
      query: (id) => `/insight/occasions/${id}`,
      providesTags: [...OF],
    }),
    setCost: build.mutation<void, { id: string; cost: number | null }>({
      query: ({ id, cost }) => ({ url: `/insight/occasions/${id}/cost`, method: 'PUT', body: { cost } }),
      invalidatesTags: ['Figures'],
    }),
    speed: build.query<Speed, Asked>({ query: (asked) => `/insight/speed?${said(asked)}`, providesTags: [...OF] }),
    funnel: build.query<Funnel, Asked>({ query: (asked) => `/insight/leads?${said(asked)}`, providesTags: [...OF] }),
    readingFigures: build.query<ReadingFigures, Asked>({
      query: (asked) => `/insight/reading?${said(asked)}`,
      providesTags: [...OF],
    }),
    owed: build.query<Owed, string>({ query: (day) => `/insight/owed?day=${day}`, providesTags: [...OF] }),
    coming: build.query<Coming, { day: string; owner?: string }>({
      query: (asked) => `/insight/coming?${said(asked)}`,
      providesTags: [...OF],
    }),
  }),
});

export const {
  useOccasionReportQuery, useSetCostMutation, useSpeedQuery, useFunnelQuery, useReadingFiguresQuery, useOwedQuery, useComingQuery,
} = insightApi; // prettier-ignore
