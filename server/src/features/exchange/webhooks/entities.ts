import { Column, Entity, Index, JoinColumn, ManyToOne, PrimaryColumn, type Relation } from 'typeorm';
import { Account, Workspace } from '../../account';

/** An address of somebody else that is told what happens. */
@Entity('webhook')
@Index('webhook_workspace', ['workspaceId'])
@Index('webhook_maker', ['madeBy'])
export class WebhookRecord {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'webhook_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'webhook_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ type: 'text' })
  url!: string;
  /** What is told; everything where there is none. */
  @Column({ type: 'text', array: true })
  types!: string[];
  /** Sealed, see `Sealing`. */
  @Column({ type: 'text' })
  secret!: string;
  @Column({ name: 'former_secret', type: 'text', nullable: true })
  formerSecret!: string | null;
  @Column({ name: 'former_until', type: 'timestamptz', nullable: true })
  formerUntil!: Date | null;
  @Column({ name: 'made_by', type: 'uuid' })
  madeBy!: string;
  @ManyToOne(() => Account, { onDelete: 'NO ACTION' })
  @JoinColumn({ name: 'made_by', foreignKeyConstraintName: 'webhook_maker_fk' })
  maker?: Relation<Account>;
  @Column({ name: 'made_at', type: 'timestamptz' })
  madeAt!: Date;
  @Column({ name: 'paused_at', type: 'timestamptz', nullable: true })
  pausedAt!: Date | null;
  /** Null where somebody wanted it. */
  @Column({ name: 'paused_why', type: 'text', nullable: true })
  pausedWhy!: string | null;
  /** Since when nothing has been taken there; null where the last one was. */
  @Column({ name: 'failing_since', type: 'timestamptz', nullable: true })
  failingSince!: Date | null;
  /** Up to where the feed of events was followed. */
  @Column({ name: 'after_xid', type: 'text' })
  afterXid!: string;
  @Column({ name: 'after_sequence', type: 'bigint' })
  afterSequence!: string;
}

/** One event on its way to one address. Its id is the same however often it is sent. */
@Entity('webhook_delivery')
@Index('webhook_delivery_once', ['webhookId', 'eventId'], { unique: true })
@Index('webhook_delivery_workspace', ['workspaceId', 'madeAt'])
@Index('webhook_delivery_state', ['webhookId', 'state'])
export class WebhookDeliveryRecord {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'webhook_delivery_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'webhook_delivery_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ name: 'webhook_id', type: 'uuid' })
  webhookId!: string;
  @ManyToOne(() => WebhookRecord, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'webhook_id', foreignKeyConstraintName: 'webhook_delivery_webhook_fk' })
  webhook?: Relation<WebhookRecord>;
  @Column({ name: 'event_id', type: 'uuid' })
  eventId!: string;
  @Column({ type: 'text' })
  type!: string;
  @Column({ type: 'text' })
  body!: string;
  @Column({ type: 'text' })
  state!: 'waiting' | 'delivered' | 'failed';
  @Column({ type: 'integer', default: 0 })
  attempts!: number;
  @Column({ name: 'made_at', type: 'timestamptz' })
  madeAt!: Date;
  @Column({ name: 'next_at', type: 'timestamptz', nullable: true })
  nextAt!: Date | null;
  @Column({ name: 'done_at', type: 'timestamptz', nullable: true })
  doneAt!: Date | null;
  /** Of the latest answer. */
  @Column({ type: 'integer', nullable: true })
  status!: number | null;
  @Column({ type: 'text', nullable: true })
  answer!: string | null;
  /** Why there was none, or what was wrong with it. */
  @Column({ type: 'text', nullable: true })
  problem!: string | null;
}
