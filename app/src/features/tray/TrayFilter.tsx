import type { Occasion } from '@dossier/contract';
import type { ReactNode } from 'react';
import { ScrollView } from 'react-native';
import { Select } from '@/ui';
import type { TrayView } from './slice';

const SHOWN = [
  { value: 'all', label: 'Every card' },
  { value: 'open', label: 'Still to be done' },
  { value: 'toProve', label: 'To prove' },
  { value: 'needsPerson', label: 'To type in' },
  { value: 'setAside', label: 'Set aside' },
  { value: 'forMe', label: 'For me to look at' },
] as const;

const WHOSE = [
  { value: '', label: 'Everybody’s' },
  { value: '1', label: 'Mine' },
] as const;
const ORDERS = [
  { value: 'oldest', label: 'Oldest first' },
  { value: 'newest', label: 'Newest first' },
] as const;

interface Props {
  view: TrayView;
  onChange: (view: TrayView) => void;
  occasions: readonly Occasion[];
  /** What can be done with the cards that are shown, before the filters. */
  children: ReactNode;
}

/** What can be done with the cards of the tray, which of them are shown, and in which order; in one row, pushed along where it has no room. */
export function TrayFilter({ view, onChange, occasions, children }: Props) {
  const places = [
    { value: '', label: 'From anywhere' },
    ...occasions.map(({ id, name }) => ({ value: id, label: name })),
    { value: 'none', label: 'Without an occasion' },
  ];
  return (
    <ScrollView
      horizontal
      showsHorizontalScrollIndicator={false}
      className="-mx-4 flex-grow-0"
      contentContainerStyle={{ gap: 16, paddingHorizontal: 16 }}
    >
      {children}
      <Select
        label="Cards shown"
        options={SHOWN}
        value={view.show ?? 'all'}
        onChange={(show) => onChange({ ...view, show: show === 'all' ? undefined : show })}
      />
      <Select
        label="Whose cards"
        options={WHOSE}
        value={view.mine ?? ''}
        onChange={(mine) => onChange({ ...view, mine: mine || undefined })}
      />
      <Select
        label="Order of the cards"
        options={ORDERS}
        value={view.order ?? 'oldest'}
        onChange={(order) => onChange({ ...view, order: order === 'oldest' ? undefined : order })}
      />
      {occasions.length > 0 ? (
        <Select
          label="Occasion shown"
          options={places}
          value={view.occasion ?? ''}
          onChange={(occasion) => onChange({ ...view, occasion: occasion || undefined })}
        />
      ) : null}
    </ScrollView>
  );
}
