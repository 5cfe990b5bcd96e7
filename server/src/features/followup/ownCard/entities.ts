import type { OwnDetails } from '@dossier/contract';
import { Column, Entity, Index, JoinColumn, ManyToOne, PrimaryColumn, type Relation } from 'typeorm';
import { StoredFile } from '../../../platform/entities';
import { Account, Workspace } from '../../account';

/** What somebody of the team hands out of themselves. */
@Entity('own_card')
@Index('own_card_workspace', ['workspaceId'])
@Index('own_card_picture', ['pictureId'])
export class OwnCardRecord {
  @PrimaryColumn({ name: 'account_id', type: 'uuid', primaryKeyConstraintName: 'own_card_pkey' })
  accountId!: string;
  @ManyToOne(() => Account, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'account_id', foreignKeyConstraintName: 'own_card_account_fk' })
  account?: Relation<Account>;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'own_card_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ type: 'jsonb' })
  details!: OwnDetails;
  @Column({ type: 'text' })
  greeting!: string;
  @Column({ name: 'takes_visitors', type: 'boolean' })
  takesVisitors!: boolean;
  /** What visitors may agree to be written to about; empty where they are not asked. */
  @Column({ type: 'text' })
  scope!: string;
  /** A JPEG, small. */
  @Column({ name: 'picture_id', type: 'uuid', nullable: true })
  pictureId!: string | null;
  @ManyToOne(() => StoredFile, { onDelete: 'SET NULL' })
  @JoinColumn({ name: 'picture_id', foreignKeyConstraintName: 'own_card_picture_fk' })
  picture?: Relation<StoredFile> | null;
  @Column({ name: 'changed_at', type: 'timestamptz' })
  changedAt!: Date;
}

/** The page on which everybody who has the link finds somebody's card. */
@Entity('card_page')
@Index('card_page_key', ['key'], { unique: true })
@Index('card_page_workspace', ['workspaceId'])
export class CardPage {
  @PrimaryColumn({ name: 'account_id', type: 'uuid', primaryKeyConstraintName: 'card_page_pkey' })
  accountId!: string;
  @ManyToOne(() => Account, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'account_id', foreignKeyConstraintName: 'card_page_account_fk' })
  account?: Relation<Account>;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'card_page_workspace_fk' })
  workspace?: Relation<Workspace>;
  /** As it stands in the link, not hashed: it is shown again each time the link is given to somebody. */
  @Column({ type: 'text' })
  key!: string;
  /** With it the page signs the forms that it gives out. */
  @Column({ type: 'bytea' })
  secret!: Buffer;
  @Column({ name: 'made_at', type: 'timestamptz' })
  madeAt!: Date;
  @Column({ type: 'integer', default: 0 })
  opened!: number;
}
