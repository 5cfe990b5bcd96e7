import {
  Column,
  Entity,
  Index,
  JoinColumn,
  ManyToOne,
  OneToOne,
  PrimaryColumn,
  PrimaryGeneratedColumn,
  type Relation,
} from 'typeorm';
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

/** Where a firm stands among those with the most people, as last counted. Only the database writes it. */
@Entity('company_staff')
@Index('company_staff_order', ['workspaceId', 'rank', 'sortName', 'companyId'])
export class CompanyStaff {
  @PrimaryColumn({ name: 'company_id', type: 'uuid', primaryKeyConstraintName: 'company_staff_pkey' })
  companyId!: string;
  @OneToOne(() => Company, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'company_id', foreignKeyConstraintName: 'company_staff_company_fk' })
  company?: Relation<Company>;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'company_staff_workspace_fk' })
  workspace?: Relation<Workspace>;
  /** How many work there, below zero: the most come first. */
  @Column({ type: 'integer' })
  rank!: number;
  @Column({ name: 'sort_name', type: 'text' })
  sortName!: string;
}

/** A firm to be counted anew, perhaps several times: whoever writes at one firm at once does not wait for each other. */
@Entity('company_recount')
@Index('company_recount_company', ['workspaceId', 'companyId'])
export class CompanyRecount {
  @PrimaryGeneratedColumn('identity', {
    type: 'bigint',
    generatedIdentity: 'ALWAYS',
    primaryKeyConstraintName: 'company_recount_pkey',
  })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'company_recount_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ name: 'company_id', type: 'uuid' })
  companyId!: string;
  @ManyToOne(() => Company, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'company_id', foreignKeyConstraintName: 'company_recount_company_fk' })
  company?: Relation<Company>;
}
