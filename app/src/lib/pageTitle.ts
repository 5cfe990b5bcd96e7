import { useEffect } from 'react';

const NAME = 'Dossier';

/** What the window is called while a page is shown: tabs, history and screen readers tell pages apart by it. */
export function usePageTitle(title: string | undefined): void {
  useEffect(() => {
    if (title) document.title = `${title} · ${NAME}`;
  }, [title]);
}

/** By the beginning of the path; pages about somebody or something name them themselves once they know. */
const TITLES: readonly (readonly [RegExp, string])[] = [
  [/^\/photograph/, 'Photograph'],
  [/^\/photos\/.*\/backs/, 'Backs and fronts'],
  [/^\/photos/, 'Borders of a photograph'],
  [/^\/proof/, 'Prove a card'],
  [/^\/file\//, 'File a card'],
  [/^\/clean/, 'Cards without a doubt'],
  [/^\/duplicates/, 'Same person twice'],
  [/^\/filed-by-itself/, 'Filed for you'],
  [/^\/settings\/deleted/, 'Deleted people'],
  [/^\/settings\/learned/, 'What Dossier has learned'],
  [/^\/settings\/occasions/, 'Occasions'],
  [/^\/settings\/tags/, 'Tags and words'],
  [/^\/settings\/colleagues/, 'Colleagues'],
  [/^\/settings\/reading/, 'Reading'],
  [/^\/settings\/pictures/, 'Pictures'],
  [/^\/settings\/filing/, 'Filing'],
  [/^\/settings\/fields/, 'Own fields'],
  [/^\/settings\/pipeline/, 'Leads and business'],
  [/^\/settings\/programs/, 'Programs'],
  [/^\/settings\/systems/, 'Other systems'],
  [/^\/settings\/mail/, 'Mail'],
  [/^\/settings\/directory/, 'Directory'],
  [/^\/settings\/templates/, 'Templates'],
  [/^\/settings\/plans/, 'Follow-up plans'],
  [/^\/settings\/not-written-to/, 'Not written to'],
  [/^\/settings\/calendar/, 'Calendar'],
  [/^\/settings\/backup/, 'Backup'],
  [/^\/settings\/device/, 'This device'],
  [/^\/settings\/you/, 'You'],
  [/^\/settings/, 'Settings'],
  [/^\/join/, 'Come in'],
  [/^\/shared/, 'A card'],
  [/^\/sample/, 'A sample card'],
  [/^\/pipeline\/leads/, 'Leads'],
  [/^\/pipeline\/figures/, 'Figures'],
  [/^\/pipeline\/opportunities/, 'An opportunity'],
  [/^\/pipeline/, 'Business'],
  [/^\/people\/changes/, 'Changed together'],
  [/^\/people\/table/, 'People as a table'],
  [/^\/people\/map/, 'People on a map'],
  [/^\/people/, 'People'],
  [/^\/companies/, 'Companies'],
  [/^\/bring-in/, 'Bring in'],
  [/^\/found/, 'In the directory'],
  [/^\/between/, 'Device to device'],
  [/^\/(?:today)?$/, 'Today'],
  [/^\/tray$/, 'Tray'],
];

export const titleOfPath = (path: string): string => TITLES.find(([begin]) => begin.test(path))?.[1] ?? 'No such page';
