import type { ProofCard } from '@dossier/contract';
import { adviceFor } from '@dossier/core/capture';
import {
  fieldOfWord,
  isDoubtful,
  looseLines,
  nextFieldId,
  personFieldsOf,
  wordsOf,
  type CardWord,
} from '@dossier/core/proof';
import { complaintAbout } from '@dossier/core/proof/complaints';
import type { FieldName, SourceSpan } from '@dossier/core/reading/fields';
import { useRouter } from 'expo-router';
import { Suspense, useCallback, useMemo, useRef, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { useDispatch } from 'react-redux';
import { PlanLine } from '@/features/followup';
import { useMatchesQuery } from '@/features/matching';
import { SecondLookPanel, useChangeCardsMutation } from '@/features/tray';
import { problemText } from '@/lib/api';
import { useSettled } from '@/lib/useSettled';
import { useWide } from '@/lib/useWide';
import { FirstTime, Notice, Soft } from '@/ui';
import { AddField } from './AddField';
import { BackOfCard } from './BackOfCard';
import { CardStage } from './CardStage';
import { DeskBar, DeskHead, MoreActs, StageBar } from './DeskBars';
import { FieldRow } from './FieldRow';
import { halfRows } from './halfRows';
import { useLaidOut } from './inSight';
import { KeyPalette } from './KeyPalette';
import { canBeKnown, KnownBeside, WORTH_ASKING } from './KnownBeside';
import { LineDrag } from './LineDrag';
import { LooseLines } from './LooseLines';
import { OnTheSpotNotice, PickPanel } from './PickPanel';
import { SawPanel } from './SawPanel';
import { SecondLookBanner } from './SecondLookBanner';
import { sideOf, sidesOf } from './sides';
import { type CardDraft, proofActions } from './slice';
import { useDeskActs, type DeskPanel } from './useDeskActs';
import { useDeskFiling } from './useDeskFiling';
import { useDeskKeys } from './useDeskKeys';
import { useFieldFocus } from './useFieldFocus';
import { usePicking } from './usePicking';
import type { Run } from './useRun';

interface DeskProps {
  card: ProofCard;
  cardDraft: CardDraft;
  run: Run;
  /** To another card of the run; without one to the tray. */
  onGo: (cardId: string | undefined) => void;
}

/** One card and its fields; on a phone one above the other, on a wide screen side by side. */
export function Desk({ card, cardDraft, run, onGo }: DeskProps) {
  const { id: cardId, country } = card;
  const { draft } = cardDraft;
  const wide = useWide();
  const router = useRouter();
  const dispatch = useDispatch();
  const file = useDeskFiling();
  const [change, { error: changeError }] = useChangeCardsMutation();
  const fieldsArea = useRef<HTMLDivElement>(null);
  const { focusedId, setFocusedId, register, focusField, focusSoon, goToNext, doubtAfter, goOn } = useFieldFocus(draft.fields); // prettier-ignore
  const [looseLine, setLooseLine] = useState<number>();
  const [open, setOpen] = useState<DeskPanel>();
  const [giving, setGiving] = useState<string>();
  const onFocus = useCallback(
    (id: string) => {
      setFocusedId(id);
      setLooseLine(undefined);
    },
    [setFocusedId],
  );

  const sides = useMemo(() => sidesOf(card), [card]);
  const doubtful = draft.fields.filter(isDoubtful);
  const wrong = draft.fields.filter((field) => complaintAbout(field));
  const focused = draft.fields.find((f) => f.id === focusedId);
  const spans: readonly SourceSpan[] = useMemo(
    () => (looseLine !== undefined ? [{ line: looseLine, from: 0, to: Infinity }] : (focused?.sources ?? [])),
    [looseLine, focused?.sources],
  );
  const shown = sideOf(sides, spans[0]);
  const onBack = shown === sides.back;
  const words = useMemo(() => wordsOf(shown.reading, onBack ? 'back' : undefined), [shown.reading, onBack]);
  const { picking, setPicking, picked, onTheSpot, pick, sweep, drop } = usePicking(shown, words);

  const person = personFieldsOf(draft);
  const empty = JSON.stringify(person) === JSON.stringify(personFieldsOf({ fields: [], nextId: 0 }));
  const asked = useSettled(person, 300);
  const { data: found } = useMatchesQuery({ fields: asked, cardId }, { skip: !canBeKnown(asked) });
  const known = found?.matches.filter(({ likelihood }) => likelihood >= WORTH_ASKING) ?? [];

  const add = (field: FieldName, label?: string) => {
    dispatch(proofActions.fieldAdded({ cardId, field, label }));
    const id = nextFieldId(draft);
    focusSoon(() => id);
  };
  const addAddress = () => {
    const others = new Set(draft.fields.filter((f) => f.field === 'street' && f.label).map((f) => f.label));
    dispatch(proofActions.addressAdded({ cardId, label: `Address ${others.size + 2}` }));
  };
  const fileAndGo = async () => {
    if (empty) return;
    if (known.length > 0) return router.push(`/file/${cardId}`);
    await file(card, cardDraft);
    onGo(run.next);
  };
  const leave = async (state: 'setAside' | 'discarded') => {
    const answer = await change({ cardIds: [cardId], state });
    if (!answer.error && state === 'setAside') onGo(run.next);
  };

  const onWord = (word: CardWord) => {
    if (picking) return pick([word]);
    const id = fieldOfWord(draft, word);
    if (id) focusField(id);
    else pick(words.filter((other) => other.span.line === word.span.line));
  };
  const loose = looseLines(draft, card.reading.lines.length);
  const acts = useDeskActs({
    cardId,
    cardDraft,
    country,
    focused,
    reading: sideOf(sides, focused?.sources[0]).reading,
    doubtful,
    loose,
    run,
    onNextDoubt: () => focusField(doubtAfter(focusedId)),
    onSettled: goOn,
    onGo,
    onLoose: setLooseLine,
    onGive: (id) => setGiving(giving === id ? undefined : id),
    onPick: shown.picture ? () => setPicking(!picking) : undefined,
    onFile: empty ? undefined : () => void fileAndGo(),
    onDetails: empty ? undefined : () => router.push(`/file/${cardId}`),
    onSetAside: () => void leave('setAside'),
    onOpen: (what) => setOpen(open === what ? undefined : what),
  });
  useDeskKeys(fieldsArea, acts);
  useLaidOut(fieldsArea);

  // Advice is worth its place only where the picture has left something in doubt.
  const [advice] = doubtful.length > 0 && card.reading.quality ? adviceFor(card.reading.quality) : [];
  const counts = new Map<string, number>();
  const nameOf = ({ field, label }: { field: string; label?: string }) => (label ? `${field} ${label}` : field);
  draft.fields.forEach((f) => counts.set(nameOf(f), (counts.get(nameOf(f)) ?? 0) + 1));
  const seen = new Map<string, number>();

  const stage = (
    <CardStage
      {...shown}
      spans={spans}
      words={words}
      picking={picking}
      onWord={onWord}
      onPick={(swept, from, to) => void sweep(swept, from, to)}
    />
  );
  const halves = wide ? halfRows(draft.fields) : undefined;
  const fields = (
    <ScrollView
      className="min-h-0 flex-1"
      keyboardShouldPersistTaps="handled"
      contentContainerStyle={{ paddingBottom: 32 }}
    >
      <LineDrag cardId={cardId} reading={card.reading} fields={draft.fields}>
        <div ref={fieldsArea}>
          {onTheSpot ? <OnTheSpotNotice {...onTheSpot} /> : null}
          {card.secondLook ? <SecondLookBanner cardId={cardId} look={card.secondLook} /> : null}
          <KnownBeside matches={known} onCompare={() => router.push(`/file/${cardId}`)} />
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
          {card.picture && draft.fields.length > 0 ? (
            <View className="px-4 pt-3">
              <FirstTime about="strip">
                Above each text is its strip: the piece of the picture it was read from. Compare the marked characters.
              </FirstTime>
            </View>
          ) : null}
          <div className={wide ? 'grid grid-flow-dense grid-cols-2' : undefined}>
            {draft.fields.map((field) => {
              const nth = (seen.get(nameOf(field)) ?? 0) + 1;
              seen.set(nameOf(field), nth);
              return (
                <FieldRow
                  key={field.id}
                  cardId={cardId}
                  sides={sides}
                  field={field}
                  focused={field.id === focusedId}
                  dense={wide}
                  half={halves?.has(field.id)}
                  ordinal={counts.get(nameOf(field))! > 1 ? nth : undefined}
                  country={country}
                  onFocus={onFocus}
                  onEnter={goToNext}
                  onSettled={goOn}
                  giving={giving === field.id}
                  onGive={setGiving}
                  register={register}
                />
              );
            })}
          </div>
          <AddField
            standing={draft.fields.filter((f) => !f.label).map((f) => f.field)}
            open={open === 'add'}
            onOpen={(next) => setOpen(next ? 'add' : undefined)}
            onAdd={add}
            onAddress={addAddress}
          />
          <LooseLines
            cardId={cardId}
            reading={card.reading}
            picture={card.picture}
            pictureId={card.pictureId}
            lines={loose}
            open={looseLine}
            onOpen={setLooseLine}
          />
          <BackOfCard card={card} />
          {open === 'secondLook' ? (
            <View className="px-4 pt-6">
              <Suspense>
                <SecondLookPanel
                  cardIds={[cardId]}
                  onDone={() => setOpen(undefined)}
                  onCancel={() => setOpen(undefined)}
                />
              </Suspense>
            </View>
          ) : null}
          {open === 'saw' ? <SawPanel card={card} draft={draft} onClose={() => setOpen(undefined)} /> : null}
          {changeError ? (
            <View className="px-4 pt-3">
              <Notice fault>{problemText(changeError)}</Notice>
            </View>
          ) : null}
          <MoreActs acts={acts} wide={wide} photoId={card.photoId} onRemove={() => void leave('discarded')} />
        </div>
      </LineDrag>
    </ScrollView>
  );
  const panel = picked ? <PickPanel cardId={cardId} picked={picked} field={focused} onDone={drop} /> : null;
  const head = <DeskHead position={run.position} of={run.of} acts={acts} />;
  const stageBar = shown.picture ? <StageBar picking={picking} onPicking={setPicking} otherSide={onBack} /> : null;
  const planLine =
    card.occasion?.planId && known.length === 0 ? (
      <PlanLine
        planIds={[card.occasion.planId]}
        isLeftOut={cardDraft.filing?.withoutPlan ?? false}
        onLeaveOut={(withoutPlan) => dispatch(proofActions.filingChosen({ cardId, change: { withoutPlan } }))}
      />
    ) : null;
  const bar = (
    <DeskBar
      acts={acts}
      wide={wide}
      doubts={doubtful.length}
      fileWords={fileWords(known.length > 0, wrong.length > 0, run.next !== undefined)}
    />
  );
  const palette = open === 'palette' ? <KeyPalette acts={acts} onClose={() => setOpen(undefined)} /> : null;
  if (wide) {
    return (
      <View role="main" className="min-h-0 flex-1 flex-row">
        <View className="min-w-0 flex-[1.1] bg-table">
          <View className="min-h-0 flex-1 p-4">{stage}</View>
          {stageBar}
        </View>
        <View className="min-h-0 min-w-0 flex-1 border-l border-rule">
          {head}
          <View className="h-px bg-rule" />
          {panel}
          {fields}
          {planLine}
          {bar}
        </View>
        {palette}
      </View>
    );
  }
  return (
    <View role="main" className="min-h-0 flex-1">
      {head}
      <View className="bg-table" style={{ height: '29vh' } as object}>
        {stage}
      </View>
      {stageBar}
      {panel}
      {fields}
      {planLine}
      {bar}
      {palette}
    </View>
  );
}

/** What the one loud button says it does. */
function fileWords(known: boolean, asTyped: boolean, more: boolean): string {
  if (known) return 'Compare and file';
  if (asTyped) return 'File as typed';
  return more ? 'File and next' : 'File';
}
