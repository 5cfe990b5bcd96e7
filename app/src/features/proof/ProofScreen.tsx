import { adviceFor } from '@dossier/core/capture';
import { isDoubtful, looseLines, personFieldsOf } from '@dossier/core/proof';
import type { FieldName, SourceSpan } from '@dossier/core/reading/fields';
import { Link, useRouter } from 'expo-router';
import { useCallback, useRef, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { useDispatch } from 'react-redux';
import { useChangeCardsMutation } from '@/features/reading';
import { problemText } from '@/lib/api';
import { useWide } from '@/lib/useWide';
import { Button, EmptyState, Highlight, LoadingLines, Notice, Serif, Soft, Text } from '@/ui';
import { AddField } from './AddField';
import { useCardQuery } from './api';
import { CardView } from './CardView';
import { BackOfCard } from './BackOfCard';
import { FieldRow } from './FieldRow';
import { LooseLines } from './LooseLines';
import { SecondLookBanner } from './SecondLookBanner';
import { sideOf, sidesOf } from './sides';
import { proofActions } from './slice';
import { useDraft } from './useDraft';

/** The proof desk: the card and its fields together. */
export function ProofScreen({ cardId }: { cardId: string }) {
  const { data: card, error, refetch } = useCardQuery(cardId);
  const cardDraft = useDraft(card);
  const wide = useWide();
  const router = useRouter();
  const dispatch = useDispatch();
  const inputs = useRef(new Map<string, HTMLTextAreaElement>());
  const [focusedId, setFocusedId] = useState<string>();
  const [looseLine, setLooseLine] = useState<number>();

  const register = useCallback((id: string, element: HTMLTextAreaElement | null) => {
    if (element) inputs.current.set(id, element);
    else inputs.current.delete(id);
  }, []);
  const focusField = useCallback((id: string | undefined) => {
    if (id) inputs.current.get(id)?.focus();
  }, []);
  const ids = cardDraft?.draft.fields.map((f) => f.id);
  const idsKey = ids?.join(' ') ?? '';
  const onFocus = useCallback((id: string) => {
    setFocusedId(id);
    setLooseLine(undefined);
  }, []);
  const onEnter = useCallback(
    (id: string) => {
      const order = idsKey.split(' ');
      focusField(order[order.indexOf(id) + 1]);
    },
    [focusField, idsKey],
  );

  if (error) {
    return (
      <EmptyState title="This card cannot be shown" action={<Button onPress={() => void refetch()}>Try again</Button>}>
        {problemText(error)}
      </EmptyState>
    );
  }
  if (!card || !cardDraft) return <LoadingLines lines={6} />;
  if (card.state === 'attached') return <IsBack frontCardId={card.frontCardId} />;
  if (card.state === 'filed' || card.state === 'discarded')
    return <NotInTray cardId={cardId} state={card.state} personId={card.personId} />;

  const { draft } = cardDraft;
  const sides = sidesOf(card);
  const doubtful = draft.fields.filter(isDoubtful);
  const focused = draft.fields.find((f) => f.id === focusedId);
  const spans: SourceSpan[] =
    looseLine !== undefined ? [{ line: looseLine, from: 0, to: Infinity }] : [...(focused?.sources ?? [])];
  const add = (field: FieldName) => {
    dispatch(proofActions.fieldAdded({ cardId, field }));
    const id = `a${draft.nextId}`;
    requestAnimationFrame(() => requestAnimationFrame(() => focusField(id)));
  };
  const nextDoubt = () => {
    const at = doubtful.findIndex((f) => f.id === focusedId);
    focusField(doubtful[(at + 1) % doubtful.length]?.id);
  };
  // Advice is worth its place only where the picture has left something in doubt.
  const [advice] = doubtful.length > 0 && card.reading.quality ? adviceFor(card.reading.quality) : [];
  const person = personFieldsOf(draft);
  const empty = JSON.stringify(person) === JSON.stringify(personFieldsOf({ fields: [], nextId: 0 }));
  const seen = new Map<FieldName, number>();
  const counts = new Map<FieldName, number>();
  draft.fields.forEach((f) => counts.set(f.field, (counts.get(f.field) ?? 0) + 1));

  const shown = sideOf(sides, spans[0]);
  const picture = <CardView {...shown} spans={spans} maxHeight={wide ? '74vh' : '30vh'} />;
  const fields = (
    <ScrollView
      className="min-h-0 flex-1"
      keyboardShouldPersistTaps="handled"
      contentContainerStyle={{ paddingBottom: 32 }}
    >
      {card.secondLook ? <SecondLookBanner cardId={cardId} look={card.secondLook} /> : null}
      {card.state === 'needsPerson' ? (
        <View className="px-4 pt-4">
          <Notice>
            {card.photoId
              ? 'Nothing could be read here. Write what the picture shows.'
              : 'A blank card. Write whose it is.'}
          </Notice>
        </View>
      ) : null}
      {advice ? (
        <View className="px-4 pt-3">
          <Soft>{advice.text}</Soft>
        </View>
      ) : null}
      {draft.fields.map((field) => {
        const nth = (seen.get(field.field) ?? 0) + 1;
        seen.set(field.field, nth);
        return (
          <FieldRow
            key={field.id}
            cardId={cardId}
            sides={sides}
            field={field}
            focused={field.id === focusedId}
            ordinal={counts.get(field.field)! > 1 ? nth : undefined}
            onFocus={onFocus}
            onEnter={onEnter}
            register={register}
          />
        );
      })}
      <AddField standing={draft.fields.map((f) => f.field)} onAdd={add} />
      <LooseLines
        cardId={cardId}
        reading={card.reading}
        picture={card.picture}
        lines={looseLines(draft, card.reading.lines.length)}
        onPoint={setLooseLine}
      />
      <BackOfCard card={card} />
      {card.photoId ? (
        <View className="items-start px-4 pt-4">
          <Link href={`/photos/${card.photoId}`}>
            <View className="min-h-touch justify-center">
              <Text className="underline underline-offset-4">Set the borders by hand</Text>
            </View>
          </Link>
        </View>
      ) : null}
      <RemoveCard cardId={cardId} />
    </ScrollView>
  );
  const bar = (
    <View className="flex-row flex-wrap items-center justify-end gap-2 border-t border-rule bg-paper px-4 py-3">
      <View className="min-w-[72px] flex-1 flex-row">
        {doubtful.length > 0 ? (
          <Highlight>{doubtful.length === 1 ? '1 doubt' : `${doubtful.length} doubts`}</Highlight>
        ) : (
          <Soft>No doubts</Soft>
        )}
      </View>
      {doubtful.length > 0 ? <Button onPress={nextDoubt}>Next doubt</Button> : null}
      <Button look="ink" disabled={empty} onPress={() => router.push(`/file/${cardId}`)}>
        Go on to file
      </Button>
    </View>
  );
  const head = (
    <View className="flex-row items-center justify-between gap-3 px-4 py-2">
      <Serif role="heading" aria-level={1} className="text-[21px]">
        Proof
      </Serif>
      <Link href="/tray" aria-label="Back to the tray">
        <View className="min-h-touch justify-center">
          <Text className="underline underline-offset-4">Tray</Text>
        </View>
      </Link>
    </View>
  );
  if (wide) {
    return (
      <View role="main" className="min-h-0 flex-1 flex-row">
        <View className="min-w-0 flex-[1.1] bg-table">
          <View className="flex-1 items-center justify-center p-8">{picture}</View>
        </View>
        <View className="min-h-0 min-w-0 flex-1 border-l border-rule">
          {head}
          <View className="h-px bg-rule" />
          {fields}
          {bar}
        </View>
      </View>
    );
  }
  return (
    <View role="main" className="min-h-0 flex-1">
      {head}
      <View className="items-center bg-table px-4 py-3">{picture}</View>
      {fields}
      {bar}
    </View>
  );
}

/** A picture that is no card, or a card not wanted: out of the tray, and back while one is here. */
function RemoveCard({ cardId }: { cardId: string }) {
  const [change, { isLoading, error }] = useChangeCardsMutation();
  return (
    <View className="items-start gap-2 px-4 pt-8">
      <Button
        look="brick"
        busy={isLoading}
        className="-ml-4"
        onPress={() => void change({ cardIds: [cardId], state: 'discarded' })}
      >
        Remove this card from the tray
      </Button>
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
    </View>
  );
}

function IsBack({ frontCardId }: { frontCardId: string | null }) {
  const router = useRouter();
  return (
    <EmptyState
      title="The back of another card"
      action={
        <Button onPress={() => router.replace(frontCardId ? `/proof/${frontCardId}` : '/tray')}>Open that card</Button>
      }
    >
      Both sides are proved together.
    </EmptyState>
  );
}

function NotInTray({
  cardId,
  state,
  personId,
}: {
  cardId: string;
  state: 'filed' | 'discarded';
  personId: string | null;
}) {
  const router = useRouter();
  const [change, { isLoading }] = useChangeCardsMutation();
  if (state === 'filed') {
    return (
      <EmptyState
        title="This card is filed"
        action={
          personId ? <Button onPress={() => router.replace(`/people/${personId}`)}>Open the person</Button> : undefined
        }
      >
        Its person keeps the picture and the history.
      </EmptyState>
    );
  }
  return (
    <EmptyState
      title="Removed from the tray"
      action={
        <View className="flex-row flex-wrap justify-center gap-3">
          <Button busy={isLoading} onPress={() => void change({ cardIds: [cardId], state: 'toProve' })}>
            Put it back
          </Button>
          <Button look="ink" onPress={() => router.replace('/tray')}>
            Go to the tray
          </Button>
        </View>
      }
    >
      The photograph is kept. You can put the card back.
    </EmptyState>
  );
}
