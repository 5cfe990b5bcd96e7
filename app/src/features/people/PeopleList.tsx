import type { PersonSummary } from '@dossier/contract';
import { Link, useRouter, type Href } from 'expo-router';
import { useDeferredValue, useState } from 'react';
import { FlatList, TextInput, View } from 'react-native';
import { problemText } from '@/lib/api';
import {
  Button,
  CardImage,
  cardPicture,
  EmptyState,
  Heading,
  LoadingLines,
  Notice,
  Serif,
  Soft,
  Subheading,
  Text,
} from '@/ui';
import { useFiledByItselfQuery, usePeopleInfiniteQuery } from './api';

/** @param beside whether it stands beside a person, who is then what the page is about */
export function PeopleList({ chosen, beside }: { chosen?: string; beside?: boolean }) {
  const router = useRouter();
  const [typed, setTyped] = useState('');
  const search = useDeferredValue(typed.trim());
  const { data, error, isLoading, refetch, hasNextPage, fetchNextPage, isFetchingNextPage } =
    usePeopleInfiniteQuery(search);
  const people = data?.pages.flatMap((page) => page.items) ?? [];
  const total = data?.pages[0]?.total ?? 0;
  const unseen = useFiledByItselfQuery().data?.total ?? 0;
  return (
    <View
      role={beside ? 'region' : 'main'}
      aria-label={beside ? 'List of people' : undefined}
      className="min-h-0 w-full flex-1"
    >
      <View className="gap-3 px-4 pb-3 pt-4">
        <View className="flex-row items-baseline justify-between">
          {beside ? <Subheading className="text-[27px] leading-[34px]">People</Subheading> : <Heading>People</Heading>}
          <Soft className="tabular">{total > 0 ? (total === 1 ? '1 person' : `${total} people`) : ''}</Soft>
        </View>
        <TextInput
          aria-label="Find people"
          placeholder="Name, company, e-mail or phone"
          value={typed}
          onChangeText={setTyped}
          autoCapitalize="none"
          autoCorrect={false}
          inputMode="search"
          className="min-h-touch rounded-[4px] border border-rule bg-sheet px-3 py-2 font-sans text-[17px] text-ink"
        />
        <View className="flex-row flex-wrap gap-x-5">
          <ListLink href="/duplicates">Same person twice</ListLink>
          {unseen > 0 ? <ListLink href="/filed-by-itself">{`Filed for you (${unseen})`}</ListLink> : null}
        </View>
        {error ? (
          <Notice fault action={<Button onPress={() => void refetch()}>Try again</Button>}>
            {problemText(error)}
          </Notice>
        ) : null}
      </View>
      <FlatList<PersonSummary>
        data={people}
        keyExtractor={(person) => person.id}
        renderItem={({ item }) => <PersonRow person={item} chosen={item.id === chosen} />}
        ListEmptyComponent={
          isLoading ? (
            <LoadingLines />
          ) : error ? null : search ? (
            <EmptyState title="Nobody found">{`No name, company, e-mail or phone here holds “${search}”.`}</EmptyState>
          ) : (
            <EmptyState
              title="Nobody filed yet"
              action={
                <Button look="ink" onPress={() => router.push('/tray')}>
                  Open the tray
                </Button>
              }
            >
              Prove a card in the tray and file it. Whoever you file is found here.
            </EmptyState>
          )
        }
        onEndReached={() => hasNextPage && !isFetchingNextPage && void fetchNextPage()}
        onEndReachedThreshold={0.8}
        contentContainerStyle={{ paddingBottom: 32 }}
      />
    </View>
  );
}

const ListLink = ({ href, children }: { href: Href; children: string }) => (
  <Link href={href}>
    <View className="min-h-[36px] justify-center">
      <Text className="text-[15px] underline underline-offset-4">{children}</Text>
    </View>
  </Link>
);

const PersonRow = ({ person, chosen }: { person: PersonSummary; chosen: boolean }) => (
  <Link href={`/people/${person.id}`} aria-current={chosen ? 'page' : undefined}>
    <View
      className={`w-full flex-row items-center gap-4 border-b border-rule px-4 py-3 hover:bg-table ${chosen ? 'bg-sheet' : ''}`}
    >
      {person.cardId ? (
        <CardImage src={cardPicture(person.cardId, 'thumbnail')} alt="" width={76} />
      ) : (
        <View className="h-[45px] w-[76px] rounded-card border border-rule" />
      )}
      <View className="min-w-0 flex-1">
        <Serif numberOfLines={2} className="text-[19px] leading-[24px]">
          {person.fullName || 'Unnamed'}
        </Serif>
        <Soft numberOfLines={2}>{[person.title, person.company].filter(Boolean).join(', ')}</Soft>
      </View>
      {person.kind === 'lead' ? <Soft>lead</Soft> : null}
    </View>
  </Link>
);
