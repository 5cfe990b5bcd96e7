import { Column, Entity, Index, JoinColumn, ManyToOne, PrimaryColumn, type Relation } from 'typeorm';
import { Account, Workspace } from '../../account';

/** What a program wants read: a photograph of the same id, or a card of the same id that was made of text. */
@Entity('asked_reading')
@Index('asked_reading_workspace', ['workspaceId', 'madeAt'])
@Index('asked_reading_account', ['askedBy'])
export class AskedReadingRecord {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'asked_reading_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'asked_reading_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ name: 'asked_by', type: 'uuid' })
  askedBy!: string;
  @ManyToOne(() => Account, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'asked_by', foreignKeyConstraintName: 'asked_reading_account_fk' })
  account?: Relation<Account>;
  /** As what its cards are filed when there is nothing to ask; `no` for what is only read. */
  @Column({ type: 'text' })
  file!: 'no' | 'lead' | 'contact';
  @Column({ name: 'made_at', type: 'timestamptz' })
  madeAt!: Date;
  /** When what is to be done with its cards was done. */
  @Column({ name: 'done_at', type: 'timestamptz', nullable: true })
  doneAt!: Date | null;
}
