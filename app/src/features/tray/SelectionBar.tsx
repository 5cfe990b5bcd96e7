import type { CardsChange, Occasion, TrayItem } from '@dossier/contract';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { problemText } from '@/lib/api';
import { counted } from '@/lib/counted';
import { Button, Notice, Select, Text } from '@/ui';
import { useChangeCardsMutation, useMoveToOccasionMutation } from './api';
import { ReadAgainPanel, SecondLookPanel } from './SelectionPanels';
import type { TrayParts } from './TrayRow';

interface Props extends Pick<TrayParts, 'Give'> {
  cardIds: readonly string[];
  /** Those cards. */
  items: readonly TrayItem[];
  occasions: readonly Occasion[];
  onAll: () => void;
  /** Done with them. @param undo what brings cards back that have left the tray, with words about it */
  onDone: (undo?: { words: string; cardIds: string[] }) => void;
}

/** What can be done with several cards at once. */
export function SelectionBar({ cardIds, items, Give, occasions, onAll, onDone }: Props) {
  const [change, { isLoading, error }] = useChangeCardsMutation();
  const [move, { isLoading: isMoving, error: moveError }] = useMoveToOccasionMutation();
  const [panel, setPanel] = useState<'secondLook' | 'readAgain'>();
  const [notGiven, setNotGiven] = useState<string>();
  const none = cardIds.length === 0;
  const set = async (state: CardsChange['state'], words: string) => {
    const ids = [...cardIds];
    const answer = await change({ cardIds: ids, state });
    if (!answer.error) onDone({ words: `${counted(ids.length, 'card')} ${words}.`, cardIds: ids });
  };
  const moveTo = async (occasionId: string) => {
    if (occasionId === '') return;
    const answer = await move({
      cardIds: [...cardIds],
      photoIds: [],
      occasionId: occasionId === 'none' ? null : occasionId,
    });
    if (!answer.error) onDone();
  };
  const places = [
    { value: '', label: 'Move to …' },
    ...occasions.filter((o) => !o.closed).map(({ id, name }) => ({ value: id, label: name })),
    { value: 'none', label: 'No occasion' },
  ];
  const problem = error ?? moveError;
  return (
    <View role="toolbar" aria-label="Chosen cards" className="gap-2 border-t border-rule bg-paper px-4 py-2">
      {problem ? <Notice fault>{problemText(problem)}</Notice> : null}
      {notGiven ? <Notice fault>{notGiven}</Notice> : null}
      {panel && !none ? (
        <ScrollView style={{ maxHeight: 430 }} contentContainerStyle={{ paddingBottom: 8 }}>
          {panel === 'secondLook' ? (
            <SecondLookPanel cardIds={cardIds} onDone={() => onDone()} onCancel={() => setPanel(undefined)} />
          ) : (
            <ReadAgainPanel cardIds={cardIds} onDone={() => onDone()} onCancel={() => setPanel(undefined)} />
          )}
        </ScrollView>
      ) : null}
      <View className="flex-row flex-wrap items-center gap-2">
        <Text role="status" className="tabular min-w-[90px]">
          {none ? 'None chosen' : `${cardIds.length} chosen`}
        </Text>
        <Button look="bare" onPress={onAll}>
          All
        </Button>
        <Button look="bare" onPress={() => onDone()}>
          Done
        </Button>
      </View>
      <ScrollView
        horizontal
        showsHorizontalScrollIndicator={false}
        className={`-mx-4 flex-grow-0 ${panel ? 'hidden' : ''}`}
        contentContainerStyle={{ gap: 12, paddingHorizontal: 16, alignItems: 'center' }}
      >
        {none ? null : (
          <Select label="Move to another occasion" options={places} value="" onChange={(id) => void moveTo(id)} />
        )}
        <Button disabled={none} onPress={() => setPanel('secondLook')}>
          Second look
        </Button>
        <Button disabled={none} onPress={() => setPanel('readAgain')}>
          Read again
        </Button>
        <Give items={items} onProblem={setNotGiven} />
        <Button disabled={none} busy={isLoading || isMoving} onPress={() => void set('setAside', 'set aside')}>
          Set aside
        </Button>
        <Button
          look="brick"
          disabled={none}
          busy={isLoading}
          onPress={() => void set('discarded', 'removed from the tray')}
        >
          Remove
        </Button>
      </ScrollView>
    </View>
  );
}
