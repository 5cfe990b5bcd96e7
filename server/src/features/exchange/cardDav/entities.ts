import { Column, Entity, Index, JoinColumn, ManyToOne, PrimaryColumn, type Relation } from 'typeorm';
import { Account, Workspace } from '../../account';
import { Person } from '../../people';

/** What lets one device into the address books of whoever made it. */
@Entity('device_password')
@Index('device_password_hash', ['hash'], { unique: true })
@Index('device_password_workspace', ['workspaceId'])
@Index('device_password_account', ['accountId'])
export class DevicePassword {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'device_password_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'device_password_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ name: 'account_id', type: 'uuid' })
  accountId!: string;
  @ManyToOne(() => Account, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'account_id', foreignKeyConstraintName: 'device_password_account_fk' })
  account?: Relation<Account>;
  @Column({ type: 'text' })
  name!: string;
  /** SHA-256, so that a copy of the table lets nobody in. */
  @Column({ type: 'bytea' })
  hash!: Buffer;
  @Column({ name: 'made_at', type: 'timestamptz' })
  madeAt!: Date;
  /** To the minute. */
  @Column({ name: 'used_at', type: 'timestamptz', nullable: true })
  usedAt!: Date | null;
}

/** An address book of somebody's, as their devices have it. */
@Entity('device_book')
@Index('device_book_once', ['accountId', 'book'], { unique: true })
@Index('device_book_workspace', ['workspaceId'])
export class DeviceBook {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'device_book_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'device_book_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ name: 'account_id', type: 'uuid' })
  accountId!: string;
  @ManyToOne(() => Account, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'account_id', foreignKeyConstraintName: 'device_book_account_fk' })
  account?: Relation<Account>;
  /** As it stands in its path. */
  @Column({ type: 'text' })
  book!: string;
  /** Goes up whenever anything in it is another one. */
  @Column({ type: 'integer', default: 0 })
  sequence!: number;
}

/** Somebody who is, or was, in a book. */
@Entity('device_entry')
@Index('device_entry_name', ['bookId', 'name'], { unique: true })
@Index('device_entry_sequence', ['bookId', 'sequence'])
@Index('device_entry_workspace', ['workspaceId'])
export class DeviceEntry {
  @PrimaryColumn({ name: 'book_id', type: 'uuid', primaryKeyConstraintName: 'device_entry_pkey' })
  bookId!: string;
  @ManyToOne(() => DeviceBook, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'book_id', foreignKeyConstraintName: 'device_entry_book_fk' })
  book?: Relation<DeviceBook>;
  /** Also of somebody who is not here any more: devices are told so. */
  @PrimaryColumn({ name: 'person_id', type: 'uuid', primaryKeyConstraintName: 'device_entry_pkey' })
  personId!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'device_entry_workspace_fk' })
  workspace?: Relation<Workspace>;
  /** The last part of its path. */
  @Column({ type: 'text' })
  name!: string;
  /** What the record was when the book was looked at last. */
  @Column({ type: 'text' })
  mark!: string;
  @Column({ type: 'integer' })
  sequence!: number;
  @Column({ name: 'is_there', type: 'boolean' })
  isThere!: boolean;
  /** Taken out of this book on a device: it does not come back by itself. */
  @Column({ name: 'left_out', type: 'boolean', default: false })
  leftOut!: boolean;
}

/** What a device wrote of somebody that has no place in the record. */
@Entity('device_further')
@Index('device_further_workspace', ['workspaceId'])
@Index('device_further_uid', ['workspaceId', 'uid'])
export class DeviceFurther {
  @PrimaryColumn({ name: 'person_id', type: 'uuid', primaryKeyConstraintName: 'device_further_pkey' })
  personId!: string;
  @ManyToOne(() => Person, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'person_id', foreignKeyConstraintName: 'device_further_person_fk' })
  person?: Relation<Person>;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'device_further_workspace_fk' })
  workspace?: Relation<Workspace>;
  /** What the device calls the record; null for what was made here. */
  @Column({ type: 'text', nullable: true })
  uid!: string | null;
  /** The last part of its path, as the device chose it; null for what was made here. */
  @Column({ type: 'text', nullable: true })
  name!: string | null;
  @Column({ type: 'text' })
  note!: string;
  /** Content lines as they came. */
  @Column({ type: 'text', array: true })
  lines!: string[];
}
