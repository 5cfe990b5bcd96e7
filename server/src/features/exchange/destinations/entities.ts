import type { Delivery, DestinationFields, HandedSubject, HandOverMapping, HandOverWhen } from '@dossier/contract';
import type { OutsideValue } from '@dossier/core/exchange/handOver';
import { Column, Entity, Index, JoinColumn, ManyToOne, PrimaryColumn, type Relation } from 'typeorm';
import { Account, Workspace } from '../../account';
import { Person } from '../../people';

/** Another system that people are handed over to. */
@Entity('destination')
@Index('destination_workspace', ['workspaceId'])
@Index('destination_maker', ['madeBy'])
export class DestinationRecord {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'destination_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'destination_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ type: 'text' })
  name!: string;
  /** What it is, and how it is asked. */
  @Column({ name: 'target', type: 'jsonb' })
  to!: DestinationFields['to'];
  /** Sealed, see `Sealing`; null where there is none. */
  @Column({ type: 'text', nullable: true })
  secret!: string | null;
  @Column({ name: 'when_handed', type: 'text' })
  whenHanded!: HandOverWhen;
  @Column({ type: 'jsonb', default: () => "'[]'" })
  occasions!: DestinationFields['occasions'];
  @Column({ name: 'per_minute', type: 'integer' })
  perMinute!: number;
  /** Nothing is sent before then, see `takeSlot`. */
  @Column({ name: 'next_slot_at', type: 'timestamptz', default: () => 'now()' })
  nextSlotAt!: Date;
  @Column({ name: 'mapping_version', type: 'integer', default: 0 })
  mappingVersion!: number;
  @Column({ name: 'made_by', type: 'uuid' })
  madeBy!: string;
  @ManyToOne(() => Account, { onDelete: 'NO ACTION' })
  @JoinColumn({ name: 'made_by', foreignKeyConstraintName: 'destination_maker_fk' })
  maker?: Relation<Account>;
  @Column({ name: 'made_at', type: 'timestamptz' })
  madeAt!: Date;
  @Column({ name: 'paused_at', type: 'timestamptz', nullable: true })
  pausedAt!: Date | null;
  @Column({ name: 'paused_why', type: 'text', nullable: true })
  pausedWhy!: string | null;
  /** Since when nothing has gone well there; null where the last did. */
  @Column({ name: 'failing_since', type: 'timestamptz', nullable: true })
  failingSince!: Date | null;
  /** Up to where the feed of events was followed. */
  @Column({ name: 'after_xid', type: 'text' })
  afterXid!: string;
  @Column({ name: 'after_sequence', type: 'bigint' })
  afterSequence!: string;
}

/** What goes into which field, as it was from one change to the next. */
@Entity('hand_over_mapping')
@Index('hand_over_mapping_workspace', ['workspaceId'])
@Index('hand_over_mapping_maker', ['madeBy'])
export class MappingRecord {
  @PrimaryColumn({ name: 'destination_id', type: 'uuid', primaryKeyConstraintName: 'hand_over_mapping_pkey' })
  destinationId!: string;
  @ManyToOne(() => DestinationRecord, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'destination_id', foreignKeyConstraintName: 'hand_over_mapping_destination_fk' })
  destination?: Relation<DestinationRecord>;
  @PrimaryColumn({ type: 'integer', primaryKeyConstraintName: 'hand_over_mapping_pkey' })
  version!: number;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'hand_over_mapping_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ type: 'jsonb' })
  rules!: HandOverMapping;
  @Column({ name: 'made_by', type: 'uuid' })
  madeBy!: string;
  @ManyToOne(() => Account, { onDelete: 'NO ACTION' })
  @JoinColumn({ name: 'made_by', foreignKeyConstraintName: 'hand_over_mapping_maker_fk' })
  maker?: Relation<Account>;
  @Column({ name: 'made_at', type: 'timestamptz' })
  madeAt!: Date;
}

/** The other system's record of somebody, of what hangs on them, or of their company. */
@Entity('handed_record')
@Index('handed_record_workspace', ['workspaceId'])
@Index('handed_record_person', ['personId'])
export class HandedRecord {
  @PrimaryColumn({ name: 'destination_id', type: 'uuid', primaryKeyConstraintName: 'handed_record_pkey' })
  destinationId!: string;
  @ManyToOne(() => DestinationRecord, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'destination_id', foreignKeyConstraintName: 'handed_record_destination_fk' })
  destination?: Relation<DestinationRecord>;
  @PrimaryColumn({ type: 'text', primaryKeyConstraintName: 'handed_record_pkey' })
  subject!: HandedSubject | 'company';
  @PrimaryColumn({ name: 'subject_id', type: 'uuid', primaryKeyConstraintName: 'handed_record_pkey' })
  subjectId!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'handed_record_workspace_fk' })
  workspace?: Relation<Workspace>;
  /** Null for a company. */
  @Column({ name: 'person_id', type: 'uuid', nullable: true })
  personId!: string | null;
  @ManyToOne(() => Person, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'person_id', foreignKeyConstraintName: 'handed_record_person_fk' })
  person?: Relation<Person>;
  @Column({ type: 'text' })
  ref!: string;
  @Column({ type: 'text', nullable: true })
  link!: string | null;
  @Column({ name: 'sent_at', type: 'timestamptz' })
  sentAt!: Date;
  @Column({ name: 'mapping_version', type: 'integer', nullable: true })
  mappingVersion!: number | null;
  /** What stood there in place of ours, as long as nobody here has said which is right. */
  @Column({ type: 'jsonb', default: () => "'[]'" })
  theirs!: Delivery['theirs'];
  /** What of ours stood there when it was sent last, by the names of fields there. */
  @Column({ type: 'jsonb', default: () => "'{}'" })
  sent!: Record<string, OutsideValue>;
}

/** One sending of somebody, or of what hangs on them, to another system. It goes with the person. */
@Entity('delivery')
@Index('delivery_workspace', ['workspaceId', 'madeAt', 'id'])
@Index('delivery_destination', ['destinationId', 'state'])
@Index('delivery_person', ['personId'])
@Index('delivery_done', ['doneAt'], { where: `state = 'delivered'` })
@Index('delivery_waiting', ['destinationId', 'subject', 'subjectId'], { unique: true, where: `state = 'waiting'` })
export class DeliveryRecord {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'delivery_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'delivery_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ name: 'destination_id', type: 'uuid' })
  destinationId!: string;
  @ManyToOne(() => DestinationRecord, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'destination_id', foreignKeyConstraintName: 'delivery_destination_fk' })
  destination?: Relation<DestinationRecord>;
  @Column({ name: 'person_id', type: 'uuid' })
  personId!: string;
  @ManyToOne(() => Person, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'person_id', foreignKeyConstraintName: 'delivery_person_fk' })
  person?: Relation<Person>;
  @Column({ type: 'text' })
  subject!: HandedSubject;
  @Column({ name: 'subject_id', type: 'uuid' })
  subjectId!: string;
  /** `sending` while a worker is at it, `held` where somebody must look. */
  @Column({ type: 'text' })
  state!: 'waiting' | 'sending' | 'delivered' | 'held';
  @Column({ type: 'integer', default: 0 })
  attempts!: number;
  @Column({ name: 'made_at', type: 'timestamptz' })
  madeAt!: Date;
  @Column({ name: 'next_at', type: 'timestamptz', nullable: true })
  nextAt!: Date | null;
  @Column({ name: 'done_at', type: 'timestamptz', nullable: true })
  doneAt!: Date | null;
  @Column({ name: 'mapping_version', type: 'integer', nullable: true })
  mappingVersion!: number | null;
  @Column({ type: 'text', nullable: true })
  request!: string | null;
  @Column({ type: 'integer', nullable: true })
  status!: number | null;
  @Column({ type: 'text', nullable: true })
  answer!: string | null;
  @Column({ type: 'text', nullable: true })
  problem!: string | null;
  @Column({ type: 'jsonb', default: () => "'[]'" })
  theirs!: { to: string; there: string; here: string }[];
}
