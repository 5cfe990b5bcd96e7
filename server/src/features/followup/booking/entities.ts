import type { DaySpan } from '@dossier/contract';
import { Column, Entity, Exclusion, Index, JoinColumn, ManyToOne, PrimaryColumn, type Relation } from 'typeorm';
import { Account, Workspace } from '../../account';
import { Person } from '../../people';
import { Card } from '../../reading';
import { MessageRecord } from '../messages/entities';
import { Task } from '../tasks/entities';

/** When somebody of the team lets others book a talk. */
@Entity('booking_rules')
@Index('booking_rules_workspace', ['workspaceId'])
export class BookingRulesRecord {
  @PrimaryColumn({ name: 'account_id', type: 'uuid', primaryKeyConstraintName: 'booking_rules_pkey' })
  accountId!: string;
  @ManyToOne(() => Account, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'account_id', foreignKeyConstraintName: 'booking_rules_account_fk' })
  account?: Relation<Account>;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'booking_rules_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ name: 'is_on', type: 'boolean' })
  isOn!: boolean;
  @Column({ type: 'integer' })
  minutes!: number;
  @Column({ name: 'buffer_minutes', type: 'integer' })
  bufferMinutes!: number;
  @Column({ name: 'notice_hours', type: 'integer' })
  noticeHours!: number;
  @Column({ name: 'days_ahead', type: 'integer' })
  daysAhead!: number;
  @Column({ name: 'time_zone', type: 'text' })
  timeZone!: string;
  /** By day of the week, Sunday first. */
  @Column({ type: 'jsonb' })
  hours!: DaySpan[][];
  @Column({ type: 'boolean' })
  holidays!: boolean;
  @Column({ name: 'days_off', type: 'jsonb' })
  daysOff!: { from: string; to: string }[];
  @Column({ type: 'text' })
  place!: string;
  /** Address of another calendar, sealed: whoever has it sees what stands there. */
  @Column({ name: 'busy_url', type: 'text', nullable: true })
  busyUrl!: string | null;
  @Column({ name: 'busy_host', type: 'text', nullable: true })
  busyHost!: string | null;
  /** When it says that something is, as it was last seen: pairs of moments (ISO 8601). */
  @Column({ type: 'jsonb', default: () => "'[]'" })
  busy!: [string, string][];
  @Column({ name: 'busy_seen_at', type: 'timestamptz', nullable: true })
  busySeenAt!: Date | null;
  @Column({ name: 'busy_problem', type: 'text', nullable: true })
  busyProblem!: string | null;
}

/** A talk that somebody has booked. No two of the same account meet: the database sees to it (`booking_apart`). */
@Entity('booking')
@Index('booking_key', ['key'], { unique: true })
@Index('booking_workspace', ['workspaceId'])
@Index('booking_account', ['accountId', 'startsAt'])
@Index('booking_person', ['personId'])
@Index('booking_card', ['cardId'])
@Index('booking_task', ['taskId'])
@Index('booking_message', ['messageId'])
@Exclusion(
  'booking_apart',
  `USING gist (account_id WITH =, tstzrange(starts_at, free_at) WITH &&) WHERE (state = 'booked')`,
)
export class BookingRecord {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'booking_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'booking_workspace_fk' })
  workspace?: Relation<Workspace>;
  /** Who is booked. */
  @Column({ name: 'account_id', type: 'uuid' })
  accountId!: string;
  @ManyToOne(() => Account, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'account_id', foreignKeyConstraintName: 'booking_account_fk' })
  account?: Relation<Account>;
  /** Who has booked, where that is known. */
  @Column({ name: 'person_id', type: 'uuid', nullable: true })
  personId!: string | null;
  @ManyToOne(() => Person, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'person_id', foreignKeyConstraintName: 'booking_person_fk' })
  person?: Relation<Person> | null;
  /** The card in the tray of whoever was not known. */
  @Column({ name: 'card_id', type: 'uuid', nullable: true })
  cardId!: string | null;
  @ManyToOne(() => Card, { onDelete: 'SET NULL' })
  @JoinColumn({ name: 'card_id', foreignKeyConstraintName: 'booking_card_fk' })
  card?: Relation<Card> | null;
  @Column({ name: 'starts_at', type: 'timestamptz' })
  startsAt!: Date;
  @Column({ name: 'ends_at', type: 'timestamptz' })
  endsAt!: Date;
  /** Until when nobody else is booked: its end and the buffer behind it. */
  @Column({ name: 'free_at', type: 'timestamptz' })
  freeAt!: Date;
  @Column({ type: 'text' })
  state!: 'booked' | 'calledOff';
  @Column({ type: 'text' })
  name!: string;
  @Column({ type: 'text' })
  email!: string;
  @Column({ type: 'text' })
  phone!: string;
  @Column({ type: 'text' })
  words!: string;
  /** ISO 639-1: how whoever booked it is written to. */
  @Column({ type: 'text' })
  language!: string;
  /** Where they are, by its IANA name. */
  @Column({ name: 'time_zone', type: 'text' })
  timeZone!: string;
  /** What it is moved and called off with, as it stands in the link. */
  @Column({ type: 'text' })
  key!: string;
  /** Goes up with every change (RFC 5545, 3.8.7.4). */
  @Column({ type: 'integer', default: 0 })
  sequence!: number;
  @Column({ name: 'task_id', type: 'uuid', nullable: true })
  taskId!: string | null;
  @ManyToOne(() => Task, { onDelete: 'SET NULL' })
  @JoinColumn({ name: 'task_id', foreignKeyConstraintName: 'booking_task_fk' })
  task?: Relation<Task> | null;
  /** The latest mail about it. */
  @Column({ name: 'message_id', type: 'uuid', nullable: true })
  messageId!: string | null;
  @ManyToOne(() => MessageRecord, { onDelete: 'SET NULL' })
  @JoinColumn({ name: 'message_id', foreignKeyConstraintName: 'booking_message_fk' })
  message?: Relation<MessageRecord> | null;
  @Column({ name: 'made_at', type: 'timestamptz' })
  madeAt!: Date;
  @Column({ name: 'changed_at', type: 'timestamptz' })
  changedAt!: Date;
}
