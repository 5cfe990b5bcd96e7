import { Column, Entity, Index, JoinColumn, ManyToOne, PrimaryColumn, type Relation } from 'typeorm';
import type { TaskKind } from '@dossier/contract';
import type { Repeat } from '@dossier/core/followup/tasks';
import { Account, Workspace } from '../../account';
import { Company, Person } from '../../people';
import { MessageRecord } from '../messages/entities';
import { EnrolmentRecord } from '../plans/entities';

/** Something to do, mostly about a person or a firm. */
@Entity('task')
@Index('task_person', ['personId'])
@Index('task_workspace', ['workspaceId'])
@Index('task_maker', ['madeBy'])
@Index('task_owner', ['ownerId'])
@Index('task_open', ['workspaceId', 'ownerId', 'dueOn'], { where: 'done_at IS NULL' })
@Index('task_company', ['companyId'])
@Index('task_enrolment', ['enrolmentId'])
@Index('task_message', ['messageId'])
@Index('task_opportunity', ['opportunityId'])
export class Task {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'task_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'task_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ name: 'person_id', type: 'uuid', nullable: true })
  personId!: string | null;
  @ManyToOne(() => Person, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'person_id', foreignKeyConstraintName: 'task_person_fk' })
  person?: Relation<Person> | null;
  @Column({ name: 'company_id', type: 'uuid', nullable: true })
  companyId!: string | null;
  @ManyToOne(() => Company, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'company_id', foreignKeyConstraintName: 'task_company_fk' })
  company?: Relation<Company> | null;
  /** What it is for. Named by its table alone: that room stands above this one. */
  @Column({ name: 'opportunity_id', type: 'uuid', nullable: true })
  opportunityId!: string | null;
  @ManyToOne('OpportunityRecord', { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'opportunity_id', foreignKeyConstraintName: 'task_opportunity_fk' })
  opportunity?: { id: string } | null;
  @Column({ type: 'text', default: 'task' })
  kind!: TaskKind;
  @Column({ type: 'text' })
  text!: string;
  @Column({ name: 'due_on', type: 'date', nullable: true })
  dueOn!: string | null;
  /** `HH:MM`, where whoever does it is. */
  @Column({ name: 'due_time', type: 'text', nullable: true })
  dueTime!: string | null;
  @Column({ type: 'text', nullable: true })
  repeat!: Repeat | null;
  @Column({ name: 'owner_id', type: 'uuid' })
  ownerId!: string;
  @ManyToOne(() => Account, { onDelete: 'NO ACTION' })
  @JoinColumn({ name: 'owner_id', foreignKeyConstraintName: 'task_owner_fk' })
  owner?: Relation<Account>;
  @Column({ name: 'enrolment_id', type: 'uuid', nullable: true })
  enrolmentId!: string | null;
  @ManyToOne(() => EnrolmentRecord, { onDelete: 'SET NULL' })
  @JoinColumn({ name: 'enrolment_id', foreignKeyConstraintName: 'task_enrolment_fk' })
  enrolment?: Relation<EnrolmentRecord> | null;
  /** The letter that is to be printed. */
  @Column({ name: 'message_id', type: 'uuid', nullable: true })
  messageId!: string | null;
  @ManyToOne(() => MessageRecord, { onDelete: 'SET NULL' })
  @JoinColumn({ name: 'message_id', foreignKeyConstraintName: 'task_message_fk' })
  message?: Relation<MessageRecord> | null;
  @Column({ name: 'made_by', type: 'uuid' })
  madeBy!: string;
  @ManyToOne(() => Account, { onDelete: 'NO ACTION' })
  @JoinColumn({ name: 'made_by', foreignKeyConstraintName: 'task_maker_fk' })
  maker?: Relation<Account>;
  @Column({ name: 'made_at', type: 'timestamptz' })
  madeAt!: Date;
  /** Null as long as it is open. */
  @Column({ name: 'done_at', type: 'timestamptz', nullable: true })
  doneAt!: Date | null;
  @Column({ name: 'done_by', type: 'uuid', nullable: true })
  doneBy!: string | null;
  @Column({ type: 'integer', default: 1 })
  version!: number;
  @Column({ name: 'changed_at', type: 'timestamptz', default: () => 'now()' })
  changedAt!: Date;
}

/** Whoever wants their day by mail, and when. */
@Entity('morning_mail')
@Index('morning_mail_workspace', ['workspaceId'])
export class MorningMail {
  @PrimaryColumn({ name: 'account_id', type: 'uuid', primaryKeyConstraintName: 'morning_mail_pkey' })
  accountId!: string;
  @ManyToOne(() => Account, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'account_id', foreignKeyConstraintName: 'morning_mail_account_fk' })
  account?: Relation<Account>;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'morning_mail_workspace_fk' })
  workspace?: Relation<Workspace>;
  /** `HH:MM`, in their time zone. */
  @Column({ type: 'text' })
  at!: string;
  @Column({ name: 'time_zone', type: 'text' })
  timeZone!: string;
  /** The last day on which it was sent, where they are. */
  @Column({ name: 'sent_on', type: 'date', nullable: true })
  sentOn!: string | null;
}

/** The private address of somebody’s tasks for calendars. */
@Entity('calendar_feed')
@Index('calendar_feed_key', ['keyHash'], { unique: true })
@Index('calendar_feed_workspace', ['workspaceId'])
export class CalendarFeedRecord {
  @PrimaryColumn({ name: 'account_id', type: 'uuid', primaryKeyConstraintName: 'calendar_feed_pkey' })
  accountId!: string;
  @ManyToOne(() => Account, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'account_id', foreignKeyConstraintName: 'calendar_feed_account_fk' })
  account?: Relation<Account>;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'calendar_feed_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ name: 'key_hash', type: 'bytea' })
  keyHash!: Buffer;
  @Column({ name: 'made_at', type: 'timestamptz' })
  madeAt!: Date;
  @Column({ name: 'seen_at', type: 'timestamptz', nullable: true })
  seenAt!: Date | null;
}
