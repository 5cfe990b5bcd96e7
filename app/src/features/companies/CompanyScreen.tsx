import type { Company } from '@dossier/contract';
import { websiteKey } from '@dossier/core/matching';
import { addressLines, formatPhone } from '@dossier/core/people';
import { Link, useGlobalSearchParams, useRouter, type Href } from 'expo-router';
import type { ComponentType } from 'react';
import { View } from 'react-native';
import { useMay } from '@/features/account';
import { isNotHere } from '@/lib/api';
import { countryName } from '@/lib/countries';
import { usePageTitle } from '@/lib/pageTitle';
import { useWide } from '@/lib/useWide';
import { Button, CannotShow, Heading, LoadingLines, Page, Rule, Soft, Text } from '@/ui';
import { useCompanyQuery } from './api';
import { CompanyHistory } from './CompanyHistory';
import { CompanyNotes } from './CompanyNotes';
import { CompanyPeople } from './CompanyPeople';
import { Logo } from './Logo';
import { RenameOrMerge } from './RenameOrMerge';
import { peopleWords } from './words';

interface Props {
  companyId: string;
  /** What was taken from a directory: lent by the room that asks it. */
  Facts: ComponentType<{ company: Company }>;
  /** What is to be done: lent by the room that follows up. */
  Tasks: ComponentType<{ company: Company }>;
  /** Business with it: lent by the room that has it. */
  Business: ComponentType<{ company: Company }>;
}

/** A firm: who works there, what they share, what was noted and done. */
export function CompanyScreen({ companyId, Facts, Tasks, Business }: Props) {
  const wide = useWide();
  const router = useRouter();
  const may = useMay();
  const { q, sort } = useGlobalSearchParams<{ q?: string; sort?: string }>();
  const { data: company, error, refetch } = useCompanyQuery(companyId);
  usePageTitle(company?.name);
  if (error)
    return (
      <CannotShow
        title={isNotHere(error) ? 'This firm is not here' : 'This firm cannot be shown'}
        error={error}
        onRetry={refetch}
        onwards={
          <Button look="ink" onPress={() => router.replace('/companies')}>
            Go to companies
          </Button>
        }
      />
    );
  if (!company) return <LoadingLines lines={4} />;
  const list = new URLSearchParams({ ...(q && { q }), ...(sort && { sort }) }).toString();
  return (
    <Page>
      <View className="gap-5">
        {wide ? null : (
          <Link href={`/companies${list && `?${list}`}` as Href} aria-label="Back to companies">
            <Text className="underline underline-offset-4">Companies</Text>
          </Link>
        )}
        <View className="flex-row items-start gap-4">
          <View className="min-w-0 flex-1 gap-1">
            <Heading className="text-[32px] leading-[40px]">{company.name}</Heading>
            {company.otherNames.length > 0 ? <Soft>{`Also ${company.otherNames.join(', ')}`}</Soft> : null}
          </View>
          <Logo companyId={company.id} name={company.name} />
        </View>
        {may('edit') ? <RenameOrMerge key={company.id} company={company} /> : null}
        <Shared company={company} />
        <Facts company={company} />
        <CompanyPeople key={`people of ${company.id}`} company={company} />
        <Rule />
        <Business key={`business of ${company.id}`} company={company} />
        <Rule />
        <Tasks key={`tasks of ${company.id}`} company={company} />
        <Rule />
        <CompanyNotes key={`notes of ${company.id}`} company={company} />
        <Rule />
        <CompanyHistory company={company} />
      </View>
    </Page>
  );
}

/** What the records of its people have in common. */
function Shared({ company: { domains, phones, websites, addresses, presentTotal } }: { company: Company }) {
  if (domains.length + phones.length + addresses.length === 0)
    return <Soft>No address, number or domain is known of this firm.</Soft>;
  // A domain whose site is shown says nothing more.
  const sites = new Set(websites.map(({ value }) => websiteKey(value)));
  const isNew = ({ value }: { value: string }) => !sites.has(value);
  const of = (people: number) => (presentTotal > 1 ? `${peopleWords(people)}` : '');
  return (
    <View>
      {phones.map(({ value, people }) => (
        <Fact
          key={value}
          what={people > 1 ? 'Switchboard' : 'Phone'}
          href={`tel:${value.replace(/[^\d+]/g, '')}`}
          of={of(people)}
        >
          {formatPhone(value, '')}
        </Fact>
      ))}
      {websites.map(({ value, people }) => (
        <Fact key={value} what="Web" href={/^https?:/i.test(value) ? value : `https://${value}`} of={of(people)}>
          {value}
        </Fact>
      ))}
      {domains.filter(isNew).map(({ value, people }) => (
        <Fact key={value} what="Domain" of={of(people)}>
          {value}
        </Fact>
      ))}
      {addresses.map(({ people, ...address }) => {
        const lines = [...addressLines(address), /^[A-Z]{2}$/.test(address.country) ? countryName(address.country) : address.country].filter(Boolean); // prettier-ignore
        const text = lines.join(', ');
        return (
          <Fact key={text} what="Address" href={`geo:0,0?q=${encodeURIComponent(text)}`} of={of(people)}>
            {text}
          </Fact>
        );
      })}
    </View>
  );
}

const Fact = ({ what, children, href, of }: { what: string; children: string; href?: string; of: string }) => (
  <View className="min-h-[46px] flex-row items-center gap-3 border-b border-rule py-2">
    <Soft className="w-[96px]">{what}</Soft>
    <View className="min-w-0 flex-1">
      {href ? (
        <a
          href={href}
          target={href.startsWith('http') ? '_blank' : undefined}
          rel="noreferrer"
          style={{ color: 'rgb(var(--ink))', overflowWrap: 'anywhere', padding: '8px 0', textUnderlineOffset: 4 }}
        >
          <Text className="tabular">{children}</Text>
        </a>
      ) : (
        <Text className="tabular">{children}</Text>
      )}
    </View>
    {of ? <Soft className="tabular">{of}</Soft> : null}
  </View>
);
