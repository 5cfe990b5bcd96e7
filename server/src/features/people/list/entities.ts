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
import { Account, Workspace } from '../../account';
import { Person } from '../entities';

/** What a person is found, narrowed and ordered by. The database keeps it in step with the records; nobody else writes it. */
@Entity('person_listing')
@Index('person_listing_name', ['workspaceId', 'sortName', 'personId'])
@Index('person_listing_company', ['workspaceId', 'sortCompany', 'personId'])
@Index('person_listing_filed', { synchronize: false })
@Index('person_listing_touched', ['workspaceId', 'touchedAt', 'personId'])
@Index('person_listing_next', ['workspaceId', 'nextOn', 'personId'])
@Index('person_listing_open', { synchronize: false })
@Index('person_listing_unwritten', { synchronize: false })
@Index('person_listing_bucket', ['workspaceId', 'bucket'])
@Index('person_listing_marks', { synchronize: false })
@Index('person_listing_words', { synchronize: false })
@Index('person_listing_digits', { synchronize: false })
@Index('person_listing_steps', { synchronize: false })
export class PersonListing {
  @PrimaryColumn({ name: 'person_id', type: 'uuid', primaryKeyConstraintName: 'person_listing_pkey' })
  personId!: string;
  @OneToOne(() => Person, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'person_id', foreignKeyConstraintName: 'person_listing_person_fk' })
  person?: Relation<Person>;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'person_listing_workspace_fk' })
  workspace?: Relation<Workspace>;
  /** One of 4,096 parts by chance, by which large lists are judged. */
  @Column({ type: 'smallint' })
  bucket!: number;
  @Column({ name: 'sort_name', type: 'text' })
  sortName!: string;
  @Column({ name: 'sort_company', type: 'text' })
  sortCompany!: string;
  @Column({ name: 'filed_at', type: 'timestamptz' })
  filedAt!: Date;
  /** When something was last written about the person. */
  @Column({ name: 'touched_at', type: 'timestamptz' })
  touchedAt!: Date;
  /** The day of the next step; infinity for none. */
  @Column({ name: 'next_on', type: 'date' })
  nextOn!: string;
  /** Numbers of the values of facets, see `ListedMark`. */
  @Column({ type: 'bigint', array: true })
  marks!: string[];
  /** Numbers of the folded words of everything, and of the first letters of names and firms: `web*`. */
  @Column({ type: 'bigint', array: true })
  words!: string[];
  @Column({ name: 'name_words', type: 'bigint', array: true })
  nameWords!: string[];
  /** Digits of all numbers. */
  @Column({ type: 'text' })
  digits!: string;
  @Column({ name: 'owner_id', type: 'uuid', nullable: true })
  ownerId!: string | null;
  @Column({ type: 'text', nullable: true })
  source!: string | null;
  /** Where cards of theirs were received. */
  @Column({ type: 'uuid', array: true, nullable: true })
  occasions!: string[] | null;
  /** How far whoever is or was a lead has come. */
  @Column({ type: 'text', nullable: true })
  reached!: string | null;
  @Column({ name: 'closed_why', type: 'text', nullable: true })
  closedWhy!: string | null;
  /** When the first of their cards was photographed, and filed; null for whoever has none. */
  @Column({ name: 'met_at', type: 'timestamptz', nullable: true })
  metAt!: Date | null;
  @Column({ name: 'card_filed_at', type: 'timestamptz', nullable: true })
  cardFiledAt!: Date | null;
  /** When they were first written to, and first answered. */
  @Column({ name: 'written_at', type: 'timestamptz', nullable: true })
  writtenAt!: Date | null;
  @Column({ name: 'answered_at', type: 'timestamptz', nullable: true })
  answeredAt!: Date | null;
  @Column({ name: 'qualified_at', type: 'timestamptz', nullable: true })
  qualifiedAt!: Date | null;
}

/** A list as somebody narrowed and ordered it, kept under a name. */
@Entity('list_view')
@Index('list_view_workspace', ['workspaceId', 'name'])
@Index('list_view_owner', ['ownerId'])
export class ListView {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'list_view_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'list_view_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ name: 'owner_id', type: 'uuid' })
  ownerId!: string;
  @ManyToOne(() => Account, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'owner_id', foreignKeyConstraintName: 'list_view_owner_fk' })
  owner?: Relation<Account>;
  @Column({ type: 'text' })
  name!: string;
  /** Whether colleagues have it too. */
  @Column({ name: 'for_team', type: 'boolean' })
  forTeam!: boolean;
  /** As it stands in the address of a list. */
  @Column({ type: 'text' })
  query!: string;
  @Column({ name: 'made_at', type: 'timestamptz' })
  madeAt!: Date;
}

/** A value of a facet that somebody's listing has, perhaps several times, by its number. */
@Entity('listed_mark')
@Index('listed_mark_mark', ['workspaceId', 'mark'])
export class ListedMark {
  @PrimaryGeneratedColumn('identity', {
    type: 'bigint',
    generatedIdentity: 'ALWAYS',
    primaryKeyConstraintName: 'listed_mark_pkey',
  })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'listed_mark_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ type: 'bigint' })
  mark!: string;
  @Column({ type: 'text' })
  value!: string;
}

/** A word that somebody's listing has, perhaps several times, with keys that words share which are a slip or two apart. */
@Entity('listed_word')
@Index('listed_word_word', ['workspaceId', 'word'])
@Index('listed_word_near', { synchronize: false })
@Index('listed_word_letters', { synchronize: false })
export class ListedWord {
  @PrimaryGeneratedColumn('identity', {
    type: 'bigint',
    generatedIdentity: 'ALWAYS',
    primaryKeyConstraintName: 'listed_word_pkey',
  })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'listed_word_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ type: 'text', collation: 'C' })
  word!: string;
  @Column({ type: 'integer', array: true })
  near!: number[];
}
