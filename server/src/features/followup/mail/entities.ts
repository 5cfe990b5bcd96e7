import type { MailIn, MailOut } from '@dossier/contract';
import { Column, Entity, Index, JoinColumn, ManyToOne, PrimaryColumn, type Relation } from 'typeorm';
import { Account, Workspace } from '../../account';
import { Person } from '../../people';
import { StoredFile } from '../../../platform/entities';

/** How a team sends and receives. */
@Entity('mail_settings')
export class MailSettingsRecord {
  @PrimaryColumn({ name: 'workspace_id', type: 'uuid', primaryKeyConstraintName: 'mail_settings_pkey' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'mail_settings_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ type: 'jsonb', nullable: true })
  outgoing!: MailOut | null;
  /** Sealed. */
  @Column({ name: 'out_password', type: 'text', nullable: true })
  outPassword!: string | null;
  @Column({ type: 'jsonb', nullable: true })
  incoming!: MailIn | null;
  @Column({ name: 'in_password', type: 'text', nullable: true })
  inPassword!: string | null;
  @Column({ name: 'per_minute', type: 'integer', default: 30 })
  perMinute!: number;
  @Column({ name: 'quiet_from', type: 'text', default: '18:00' })
  quietFrom!: string;
  @Column({ name: 'quiet_to', type: 'text', default: '08:00' })
  quietTo!: string;
  /** Whether something is sent on weekends and holidays too. */
  @Column({ name: 'on_days_off', type: 'boolean', default: false })
  onDaysOff!: boolean;
  @Column({ type: 'text', default: '' })
  footer!: string;
  /** The next moment in which something may be sent. */
  @Column({ name: 'next_slot_at', type: 'timestamptz', default: () => 'now()' })
  nextSlotAt!: Date;
  @Column({ name: 'out_trouble', type: 'text', nullable: true })
  outTrouble!: string | null;
  /** Since when the mail server takes nothing. */
  @Column({ name: 'trouble_since', type: 'timestamptz', nullable: true })
  troubleSince!: Date | null;
  @Column({ name: 'in_trouble', type: 'text', nullable: true })
  inTrouble!: string | null;
  /** When the mailbox was looked into last and let us. */
  @Column({ name: 'looked_at', type: 'timestamptz', nullable: true })
  lookedAt!: Date | null;
  /** Of the folder that is looked into, with the last message taken from it (RFC 9051, 2.3.1.1). */
  @Column({ name: 'uid_validity', type: 'text', nullable: true })
  uidValidity!: string | null;
  @Column({ name: 'last_uid', type: 'bigint', nullable: true })
  lastUid!: string | null;
}

/** An address that messages are sent from. */
@Entity('mail_sender')
@Index('mail_sender_address', ['workspaceId', 'address'], { unique: true })
@Index('mail_sender_anywhere', ['address'])
@Index('mail_sender_account', ['accountId'])
export class MailSender {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'mail_sender_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'mail_sender_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ type: 'text' })
  address!: string;
  @Column({ type: 'text' })
  name!: string;
  /** Whose people are written to from here; null for everybody else’s. */
  @Column({ name: 'account_id', type: 'uuid', nullable: true })
  accountId!: string | null;
  @ManyToOne(() => Account, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'account_id', foreignKeyConstraintName: 'mail_sender_account_fk' })
  account?: Relation<Account> | null;
  @Column({ type: 'integer' })
  position!: number;
}

/** An address or a domain that nothing is sent to. */
@Entity('do_not_write')
@Index('do_not_write_once', ['workspaceId', 'value'], { unique: true })
@Index('do_not_write_by', ['by'])
export class DoNotWrite {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'do_not_write_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'do_not_write_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ type: 'text' })
  value!: string;
  @Column({ type: 'text' })
  why!: string;
  @Column({ type: 'uuid' })
  by!: string;
  @ManyToOne(() => Account, { onDelete: 'NO ACTION' })
  @JoinColumn({ name: 'by', foreignKeyConstraintName: 'do_not_write_by_fk' })
  account?: Relation<Account>;
  @Column({ type: 'timestamptz' })
  at!: Date;
}

/** An address that mail came back from for good. */
@Entity('bounced_address')
export class BouncedAddress {
  @PrimaryColumn({ name: 'workspace_id', type: 'uuid', primaryKeyConstraintName: 'bounced_address_pkey' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'bounced_address_workspace_fk' })
  workspace?: Relation<Workspace>;
  @PrimaryColumn({ type: 'text', primaryKeyConstraintName: 'bounced_address_pkey' })
  address!: string;
  @Column({ type: 'text' })
  status!: string;
  @Column({ type: 'timestamptz' })
  at!: Date;
}

/** A file that goes along with messages, or came with one. */
@Entity('attachment')
@Index('attachment_workspace', ['workspaceId'])
@Index('attachment_person', ['personId'])
@Index('attachment_file', ['fileId'])
export class AttachmentRecord {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'attachment_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'attachment_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ name: 'file_id', type: 'uuid' })
  fileId!: string;
  @ManyToOne(() => StoredFile, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'file_id', foreignKeyConstraintName: 'attachment_file_fk' })
  file?: Relation<StoredFile>;
  @Column({ type: 'text' })
  name!: string;
  @Column({ type: 'text' })
  type!: string;
  @Column({ type: 'integer' })
  bytes!: number;
  /** Whose it is that came in; null for a file of the team’s. */
  @Column({ name: 'person_id', type: 'uuid', nullable: true })
  personId!: string | null;
  @ManyToOne(() => Person, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'person_id', foreignKeyConstraintName: 'attachment_person_fk' })
  person?: Relation<Person> | null;
  @Column({ name: 'made_at', type: 'timestamptz' })
  madeAt!: Date;
}
