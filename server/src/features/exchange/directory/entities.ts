import type { FirmOffer, PersonOffer } from '@dossier/core/exchange/directory';
import { Column, Entity, Index, JoinColumn, ManyToOne, OneToOne, PrimaryColumn, type Relation } from 'typeorm';
import { Account, Workspace } from '../../account';
import { Company, Person } from '../../people';

/** Asking a directory about several people. */
@Entity('look_up')
@Index('look_up_workspace', ['workspaceId'])
@Index('look_up_maker', ['madeBy'])
export class LookUpRecord {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'look_up_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'look_up_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ name: 'made_by', type: 'uuid' })
  madeBy!: string;
  @ManyToOne(() => Account, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'made_by', foreignKeyConstraintName: 'look_up_maker_fk' })
  maker?: Relation<Account>;
  @Column({ name: 'made_at', type: 'timestamptz' })
  madeAt!: Date;
  @Column({ type: 'text' })
  state!: 'running' | 'halted' | 'done' | 'stopped';
  @Column({ type: 'text', nullable: true })
  problem!: string | null;
}

/** One of them. */
@Entity('looked_up')
@Index('looked_up_workspace', ['workspaceId'])
@Index('looked_up_person', ['personId'])
export class LookedUp {
  @PrimaryColumn({ name: 'look_up_id', type: 'uuid', primaryKeyConstraintName: 'looked_up_pkey' })
  lookUpId!: string;
  @ManyToOne(() => LookUpRecord, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'look_up_id', foreignKeyConstraintName: 'looked_up_look_up_fk' })
  lookUp?: Relation<LookUpRecord>;
  @PrimaryColumn({ name: 'person_id', type: 'uuid', primaryKeyConstraintName: 'looked_up_pkey' })
  personId!: string;
  @ManyToOne(() => Person, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'person_id', foreignKeyConstraintName: 'looked_up_person_fk' })
  person?: Relation<Person>;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'looked_up_workspace_fk' })
  workspace?: Relation<Workspace>;
  /** In the order in which they were chosen. */
  @Column({ type: 'integer' })
  nth!: number;
  /** `found` where there was something to offer. */
  @Column({ type: 'text' })
  state!: 'waiting' | 'found' | 'nothing' | 'failed';
}

/** When a directory was asked about somebody, or a firm, for the last time. */
@Entity('directory_asked')
@Index('directory_asked_workspace', ['workspaceId'])
@Index('directory_asked_person', ['personId'])
@Index('directory_asked_company', ['companyId'])
export class DirectoryAsked {
  @PrimaryColumn({ name: 'subject_id', type: 'uuid', primaryKeyConstraintName: 'directory_asked_pkey' })
  subjectId!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'directory_asked_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ name: 'person_id', type: 'uuid', nullable: true })
  personId!: string | null;
  @ManyToOne(() => Person, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'person_id', foreignKeyConstraintName: 'directory_asked_person_fk' })
  person?: Relation<Person> | null;
  @Column({ name: 'company_id', type: 'uuid', nullable: true })
  companyId!: string | null;
  @ManyToOne(() => Company, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'company_id', foreignKeyConstraintName: 'directory_asked_company_fk' })
  company?: Relation<Company> | null;
  @Column({ type: 'timestamptz' })
  at!: Date;
  /** What went wrong, in words. */
  @Column({ type: 'text', nullable: true })
  problem!: string | null;
}

/** A value that a directory gave, of a person or a firm: what is taken of a firm is known of it from then on. */
@Entity('finding')
@Index('finding_workspace', ['workspaceId'])
@Index('finding_of_person', { synchronize: false })
@Index('finding_of_company', { synchronize: false })
@Index('finding_settler', ['settledBy'])
export class FindingRecord {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'finding_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'finding_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ name: 'person_id', type: 'uuid', nullable: true })
  personId!: string | null;
  @ManyToOne(() => Person, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'person_id', foreignKeyConstraintName: 'finding_person_fk' })
  person?: Relation<Person> | null;
  @Column({ name: 'company_id', type: 'uuid', nullable: true })
  companyId!: string | null;
  @ManyToOne(() => Company, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'company_id', foreignKeyConstraintName: 'finding_company_fk' })
  company?: Relation<Company> | null;
  @Column({ type: 'text' })
  field!: PersonOffer | FirmOffer;
  @Column({ type: 'text' })
  value!: string;
  /** Which directory said so. */
  @Column({ type: 'text' })
  source!: string;
  @Column({ name: 'found_at', type: 'timestamptz' })
  foundAt!: Date;
  @Column({ type: 'text' })
  state!: 'offered' | 'taken' | 'left';
  @Column({ name: 'settled_by', type: 'uuid', nullable: true })
  settledBy!: string | null;
  @ManyToOne(() => Account, { onDelete: 'SET NULL' })
  @JoinColumn({ name: 'settled_by', foreignKeyConstraintName: 'finding_settler_fk' })
  settler?: Relation<Account> | null;
  @Column({ name: 'settled_at', type: 'timestamptz', nullable: true })
  settledAt!: Date | null;
}

/** A portrait that was taken from a directory; it goes with the person. */
@Entity('person_portrait')
@Index('person_portrait_workspace', ['workspaceId'])
export class PersonPortrait {
  @PrimaryColumn({ name: 'person_id', type: 'uuid', primaryKeyConstraintName: 'person_portrait_pkey' })
  personId!: string;
  @OneToOne(() => Person, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'person_id', foreignKeyConstraintName: 'person_portrait_person_fk' })
  person?: Relation<Person>;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'person_portrait_workspace_fk' })
  workspace?: Relation<Workspace>;
  /** Another one whenever the picture is another one. */
  @Column({ name: 'picture_id', type: 'uuid' })
  pictureId!: string;
  /** A JPEG, small. */
  @Column({ type: 'bytea' })
  bytes!: Buffer;
  @Column({ type: 'text' })
  source!: string;
  @Column({ name: 'taken_at', type: 'timestamptz' })
  takenAt!: Date;
}
