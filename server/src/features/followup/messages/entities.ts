import { Column, Entity, Index, JoinColumn, ManyToOne, PrimaryColumn, type Relation } from 'typeorm';
import type { Message } from '@dossier/contract';
import type { Channel, Purpose } from '@dossier/core/followup';
import { Account, Workspace } from '../../account';
import { Person } from '../../people';
import { EnrolmentRecord } from '../plans/entities';
import { TemplateRecord } from '../templates/entities';

/** As they are told, and `handing`: the last of it is being given over, from where on nobody can tell whether it was taken. */
export type MessageStateName = Message['state'] | 'handing';

/** What was written to somebody, or by them. */
@Entity('message')
@Index('message_firsts', { synchronize: false })
@Index('message_header_id', ['workspaceId', 'direction', 'headerId'], { unique: true })
@Index('message_withdraw_key', ['withdrawKey'], { unique: true })
@Index('message_of_step', ['enrolmentId', 'stepId'], { unique: true })
@Index('message_person', ['personId', 'at'])
@Index('message_workspace', ['workspaceId', 'at'])
@Index('message_state', ['workspaceId', 'state'], {
  where: "state = ANY (ARRAY['waiting'::text, 'sending'::text, 'handing'::text, 'uncertain'::text, 'refused'::text])",
})
@Index('message_unread', ['workspaceId', 'at'], { where: "direction = 'in'::text AND read_at IS NULL" })
@Index('message_anywhere', ['headerId'], { where: "direction = 'out'::text" })
@Index('message_maker', ['madeBy'])
@Index('message_template', ['templateId'])
@Index('message_booking', ['bookingId'])
export class MessageRecord {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'message_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'message_workspace_fk' })
  workspace?: Relation<Workspace>;
  /** Null while nobody knows who booked a talk. */
  @Column({ name: 'person_id', type: 'uuid', nullable: true })
  personId!: string | null;
  @ManyToOne(() => Person, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'person_id', foreignKeyConstraintName: 'message_person_fk' })
  person?: Relation<Person> | null;
  /** The talk that it is about. */
  @Column({ name: 'booking_id', type: 'uuid', nullable: true })
  bookingId!: string | null;
  @Column({ type: 'text' })
  direction!: Message['direction'];
  @Column({ type: 'text', default: 'email' })
  channel!: Channel;
  @Column({ type: 'text' })
  state!: MessageStateName;
  @Column({ type: 'text' })
  kind!: Message['kind'];
  @Column({ type: 'jsonb', nullable: true })
  purpose!: Purpose | null;
  /** As it stands in the head of the mail, with its brackets (RFC 5322, 3.6.4). */
  @Column({ name: 'header_id', type: 'text' })
  headerId!: string;
  @Column({ name: 'refers_to', type: 'text', array: true, default: () => "'{}'" })
  refersTo!: string[];
  @Column({ type: 'text' })
  sender!: string;
  @Column({ name: 'sender_name', type: 'text', default: '' })
  senderName!: string;
  @Column({ type: 'text' })
  recipient!: string;
  @Column({ type: 'text' })
  subject!: string;
  @Column({ type: 'text' })
  body!: string;
  /** What came in, cleaned; null for what has none. */
  @Column({ type: 'text', nullable: true })
  html!: string | null;
  @Column({ name: 'template_id', type: 'uuid', nullable: true })
  templateId!: string | null;
  @ManyToOne(() => TemplateRecord, { onDelete: 'SET NULL' })
  @JoinColumn({ name: 'template_id', foreignKeyConstraintName: 'message_template_fk' })
  template?: Relation<TemplateRecord> | null;
  @Column({ name: 'template_version', type: 'integer', nullable: true })
  templateVersion!: number | null;
  @Column({ name: 'enrolment_id', type: 'uuid', nullable: true })
  enrolmentId!: string | null;
  @ManyToOne(() => EnrolmentRecord, { onDelete: 'SET NULL' })
  @JoinColumn({ name: 'enrolment_id', foreignKeyConstraintName: 'message_enrolment_fk' })
  enrolment?: Relation<EnrolmentRecord> | null;
  @Column({ name: 'step_id', type: 'uuid', nullable: true })
  stepId!: string | null;
  @Column({ name: 'answers_id', type: 'uuid', nullable: true })
  answersId!: string | null;
  @Column({ type: 'text', default: 'en' })
  language!: string;
  @Column({ name: 'own_vcard', type: 'boolean', default: false })
  ownVcard!: boolean;
  @Column({ name: 'attachment_ids', type: 'uuid', array: true, default: () => "'{}'" })
  attachmentIds!: string[];
  /** What the way to withdraw is opened with. */
  @Column({ name: 'withdraw_key', type: 'text', nullable: true })
  withdrawKey!: string | null;
  @Column({ name: 'made_by', type: 'uuid', nullable: true })
  madeBy!: string | null;
  @ManyToOne(() => Account, { onDelete: 'NO ACTION' })
  @JoinColumn({ name: 'made_by', foreignKeyConstraintName: 'message_maker_fk' })
  maker?: Relation<Account> | null;
  @Column({ name: 'made_at', type: 'timestamptz' })
  madeAt!: Date;
  /** When it was sent or came in, and until then when it was written. */
  @Column({ type: 'timestamptz' })
  at!: Date;
  /** When it was let through for the last time. */
  @Column({ name: 'passed_at', type: 'timestamptz', nullable: true })
  passedAt!: Date | null;
  @Column({ name: 'next_at', type: 'timestamptz', nullable: true })
  nextAt!: Date | null;
  /** Whether `nextAt` is its turn with the mail server: whoever comes then takes no other. */
  @Column({ name: 'has_slot', type: 'boolean', default: false })
  hasSlot!: boolean;
  /** The number of the try, never used twice: a worker that was taken for dead finds another one. */
  @Column({ type: 'integer', default: 0 })
  attempts!: number;
  /** How often the server said: not now. */
  @Column({ type: 'integer', default: 0 })
  deferrals!: number;
  @Column({ type: 'text', nullable: true })
  problem!: string | null;
  @Column({ name: 'came_back_at', type: 'timestamptz', nullable: true })
  cameBackAt!: Date | null;
  @Column({ name: 'read_at', type: 'timestamptz', nullable: true })
  readAt!: Date | null;
}
