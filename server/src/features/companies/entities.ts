import { Column, Entity, Index, JoinColumn, ManyToOne, PrimaryColumn, type Relation } from 'typeorm';
import { Account, Workspace } from '../account';
import { Company } from '../people';

/** Something noted of a firm. */
@Entity('company_note')
@Index('company_note_company', ['companyId', 'at'])
@Index('company_note_workspace', ['workspaceId'])
@Index('company_note_author', ['authorId'])
export class CompanyNote {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'company_note_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'company_note_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ name: 'company_id', type: 'uuid' })
  companyId!: string;
  @ManyToOne(() => Company, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'company_id', foreignKeyConstraintName: 'company_note_company_fk' })
  company?: Relation<Company>;
  @Column({ name: 'author_id', type: 'uuid' })
  authorId!: string;
  @ManyToOne(() => Account, { onDelete: 'NO ACTION' })
  @JoinColumn({ name: 'author_id', foreignKeyConstraintName: 'company_note_author_fk' })
  author?: Relation<Account>;
  @Column({ type: 'text' })
  text!: string;
  @Column({ type: 'timestamptz' })
  at!: Date;
  @Column({ name: 'changed_at', type: 'timestamptz', nullable: true })
  changedAt!: Date | null;
}

/** What was done to a firm, with which jobs went to another one. */
@Entity('company_act')
@Index('company_act_company', ['companyId', 'at'])
@Index('company_act_other', ['otherId'])
@Index('company_act_workspace', ['workspaceId'])
@Index('company_act_actor', ['actorId'])
export class CompanyAct {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'company_act_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'company_act_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ name: 'company_id', type: 'uuid' })
  companyId!: string;
  @ManyToOne(() => Company, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'company_id', foreignKeyConstraintName: 'company_act_company_fk' })
  company?: Relation<Company>;
  /** The firm that was merged into it, or that its people were given to. */
  @Column({ name: 'other_id', type: 'uuid', nullable: true })
  otherId!: string | null;
  @ManyToOne(() => Company, { onDelete: 'SET NULL' })
  @JoinColumn({ name: 'other_id', foreignKeyConstraintName: 'company_act_other_fk' })
  other?: Relation<Company> | null;
  @Column({ name: 'actor_id', type: 'uuid' })
  actorId!: string;
  @ManyToOne(() => Account, { onDelete: 'NO ACTION' })
  @JoinColumn({ name: 'actor_id', foreignKeyConstraintName: 'company_act_actor_fk' })
  actor?: Relation<Account>;
  @Column({ type: 'timestamptz' })
  at!: Date;
  @Column({ type: 'text' })
  action!: 'renamed' | 'merged' | 'moved';
  /** Names of the firms before and after. */
  @Column({ type: 'text' })
  before!: string;
  @Column({ type: 'text' })
  after!: string;
  @Column({ name: 'employment_ids', type: 'uuid', array: true, default: () => "'{}'" })
  employmentIds!: string[];
  @Column({ name: 'undone_at', type: 'timestamptz', nullable: true })
  undoneAt!: Date | null;
}
