import type { Task, TodayItem } from '@dossier/contract';
import { useDrag } from '@use-gesture/react';
import { Link, useRouter, type Href } from 'expo-router';
import { useState, type CSSProperties, type ReactNode } from 'react';
import { View } from 'react-native';
import { problemText } from '@/lib/api';
import { formatDay, formatWhen } from '@/lib/formatDate';
import { Button, Notice, Serif, Soft, Text } from '@/ui';
import { useEndTaskMutation, useMoveEnrolmentMutation, useMoveMessageMutation } from '../api';
import { dueWords, here } from '../tasks/dueWords';
import { PutOff } from '../tasks/PutOff';
import { printLetters } from './printLetters';
import type { Undoable } from './UndoDone';

/** So far a thumb draws a row before it counts, in pixels. */
const SWIPE_PX = 90;

/** One thing that needs somebody, with its one obvious act. */
export function TodayRow({ item, onDone }: { item: TodayItem; onDone: (what: Undoable) => void }) {
  switch (item.kind) {
    case 'task':
      return <TaskRow task={item.task} isLate={item.isLate} onDone={onDone} />;
    case 'answer':
      return <AnswerRow item={item} />;
    case 'message':
      return <MessageRow item={item} />;
    case 'held':
      return <HeldRow item={item} />;
    case 'opportunity':
      return (
        <Row
          label={item.why === 'past' ? 'Past its day' : 'Nothing planned'}
          urgent={item.why === 'past'}
          name={item.opportunity.title}
          href={`/pipeline/opportunities/${item.opportunity.id}` as Href}
          soft={[
            item.opportunity.company,
            item.opportunity.expectedOn && `expected ${formatDay(item.opportunity.expectedOn)}`,
          ]}
        >
          <Onwards
            href={`/pipeline/opportunities/${item.opportunity.id}` as Href}
            label={`Look at ${item.opportunity.title}`}
          >
            Look
          </Onwards>
        </Row>
      );
    case 'lead':
      return (
        <Row
          label="Lead left alone"
          name={item.person.fullName}
          href={`/people/${item.person.id}`}
          soft={[item.person.company, `untouched since ${formatWhen(item.untouchedSince)}`]}
        >
          <Onwards href={`/pipeline/leads/${item.person.id}`} label={`Open ${item.person.fullName}`}>
            Look
          </Onwards>
        </Row>
      );
  }
}

interface RowProps {
  label: string;
  urgent?: boolean;
  name: string;
  href?: Href;
  words?: string;
  soft?: (string | null)[];
  /** What hears of it being drawn. */
  drag?: ReturnType<ReturnType<typeof useDrag>>;
  children: ReactNode;
  below?: ReactNode;
}

const WORDS: CSSProperties = { display: 'flex', flexDirection: 'column', flex: '1 1 200px', minWidth: 200 };

function Row({ label, urgent, name, href, words, soft = [], drag, children, below }: RowProps) {
  const title = <Serif className="[overflow-wrap:anywhere]">{name || 'Unnamed'}</Serif>;
  return (
    <View role="listitem" className="border-b border-rule py-2">
      <View className="flex-row flex-wrap items-center gap-x-3 gap-y-1">
        {/* A thumb draws the row by its words; its buttons are only pressed. */}
        <div {...drag} style={{ ...WORDS, touchAction: drag ? 'pan-y' : undefined }}>
          <Soft className={urgent ? 'text-brick' : ''}>{label}</Soft>
          {href ? (
            <Link href={href} aria-label={`Open ${name || 'Unnamed'}`}>
              {title}
            </Link>
          ) : (
            title
          )}
          {words ? (
            <Text numberOfLines={3} className="[overflow-wrap:anywhere]">
              {words}
            </Text>
          ) : null}
          {soft.some(Boolean) ? <Soft>{soft.filter(Boolean).join(' · ')}</Soft> : null}
        </div>
        <View className="flex-row items-center gap-1">{children}</View>
      </View>
      {below}
    </View>
  );
}

export const Onwards = ({ href, label, children }: { href: Href; label: string; children: string }) => (
  <div data-act="done">
    <Link href={href} aria-label={label}>
      <View className="min-h-touch justify-center rounded-[5px] border border-ink px-4 hover:bg-table">
        <Text className="font-medium">{children}</Text>
      </View>
    </Link>
  </div>
);

const KIND: Record<Task['kind'], string> = { task: 'Task', call: 'Call', letter: 'Letter' };

function TaskRow({ task, isLate, onDone }: { task: Task; isLate: boolean; onDone: (what: Undoable) => void }) {
  const [later, setLater] = useState(false);
  const [drawn, setDrawn] = useState(0);
  const [end, { error, isLoading }] = useEndTaskMutation();
  const done = async () => {
    const answer = await end({ id: task.id, to: 'done', today: here().day });
    if (!answer.error) onDone({ id: task.id, text: task.text });
  };
  const drag = useDrag(
    ({ movement: [x], last, event }) => {
      // A mouse presses buttons; only a thumb draws.
      if ((event as PointerEvent).pointerType === 'mouse') return;
      setDrawn(last ? 0 : x);
      if (last && x > SWIPE_PX) void done();
      if (last && x < -SWIPE_PX) setLater(true);
    },
    { axis: 'x', threshold: 12 },
  );
  const about = task.person?.fullName ?? task.company?.name;
  const href = task.person
    ? (`/people/${task.person.id}` as const)
    : task.company
      ? (`/companies/${task.company.id}` as const)
      : undefined;
  const hint = drawn > SWIPE_PX ? 'Done' : drawn < -SWIPE_PX ? 'Later' : '';
  return (
    <div style={{ transform: drawn ? `translateX(${drawn}px)` : undefined, opacity: drawn ? 0.85 : 1 }}>
      <Row
        drag={drag()}
        label={hint || `${KIND[task.kind]}${isLate ? ', late' : ''}`}
        urgent={isLate && !hint}
        name={task.text}
        href={href}
        soft={[about ?? null, task.person?.company ?? null, dueWords(task), task.plan]}
        below={
          <>
            {error ? <Notice fault>{problemText(error)}</Notice> : null}
            {later ? <PutOff task={task} onDone={() => setLater(false)} /> : null}
          </>
        }
      >
        {task.kind === 'letter' ? <Print taskId={task.id} /> : null}
        <div data-act="done">
          <Button label={`Done: ${task.text}`} busy={isLoading} onPress={() => void done()}>
            Done
          </Button>
        </div>
        <div data-act="later">
          <Button look="bare" label={`Later: ${task.text}`} onPress={() => setLater(!later)}>
            Later
          </Button>
        </div>
      </Row>
    </div>
  );
}

const Print = ({ taskId }: { taskId: string }) => (
  <Button look="bare" label="Print the letter" onPress={() => printLetters([taskId])}>
    Print
  </Button>
);

function AnswerRow({ item: { person, message } }: { item: Extract<TodayItem, { kind: 'answer' }> }) {
  const router = useRouter();
  const [move, { error }] = useMoveMessageMutation();
  const read = async () => {
    const answer = await move({ id: message.id, to: 'read' });
    if (!answer.error) router.push(`/people/${person.id}?see=${message.id}`);
  };
  return (
    <Row
      label="Answer"
      name={person.fullName}
      href={`/people/${person.id}?see=${message.id}`}
      words={message.text.replace(/\s+/g, ' ')}
      soft={[person.company, formatWhen(message.at)]}
      below={error ? <Notice fault>{problemText(error)}</Notice> : null}
    >
      <div data-act="done">
        <Button label={`Read the answer of ${person.fullName}`} onPress={() => void read()}>
          Read
        </Button>
      </div>
    </Row>
  );
}

function MessageRow({ item: { person, message } }: { item: Extract<TodayItem, { kind: 'message' }> }) {
  const [move, { error }] = useMoveMessageMutation();
  return (
    <Row
      label={message.state === 'uncertain' ? 'Perhaps sent' : 'Not sent'}
      urgent
      name={person.fullName}
      href={`/people/${person.id}?see=${message.id}`}
      words={`${message.subject}. ${message.problem ?? ''}`}
      soft={[person.company, formatWhen(message.at)]}
      below={error ? <Notice fault>{problemText(error)}</Notice> : null}
    >
      {message.state === 'uncertain' ? (
        <Onwards href={`/people/${person.id}?see=${message.id}`} label={`Look at the message to ${person.fullName}`}>
          Look
        </Onwards>
      ) : (
        <div data-act="done">
          <Button
            label={`Seen: the message to ${person.fullName}`}
            onPress={() => void move({ id: message.id, to: 'read' })}
          >
            Seen
          </Button>
        </div>
      )}
    </Row>
  );
}

function HeldRow({
  item: { person, enrolmentId, plan, words, since },
}: {
  item: Extract<TodayItem, { kind: 'held' }>;
}) {
  const [move, { error }] = useMoveEnrolmentMutation();
  return (
    <Row
      label="Waits"
      name={person.fullName}
      href={`/people/${person.id}?see=${enrolmentId}`}
      words={words}
      soft={[person.company, plan, `since ${formatWhen(since)}`]}
      below={error ? <Notice fault>{problemText(error)}</Notice> : null}
    >
      <Onwards href={`/people/${person.id}?see=${enrolmentId}`} label={`Open ${person.fullName}`}>
        Look
      </Onwards>
      <div data-act="later">
        <Button
          look="bare"
          label={`Stop the plan for ${person.fullName}`}
          onPress={() => void move({ id: enrolmentId, to: 'stop' })}
        >
          Stop
        </Button>
      </div>
    </Row>
  );
}
