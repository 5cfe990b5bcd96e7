import type { MigrationInterface, QueryRunner } from 'typeorm';

/** @param where which firms tell of their people when they are changed */
const listedOnUpdate = (where: string): string => `
create or replace function company_listed_on_update() returns trigger language plpgsql security definer set search_path = public as $$
begin
  perform list_people_again(array(select e.person_id from was join now on now.id = was.id
    join employment e on e.company_id = now.id and e.ended_at is null ${where}));
  return null;
end $$;
`;

/** Lists tell the names of firms and nothing else of them: whatever else of a firm changes, its people are not listed anew. */
export class NamesOfFirms1780000000019 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(listedOnUpdate('where now.name is distinct from was.name'));
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(listedOnUpdate(''));
  }
}
