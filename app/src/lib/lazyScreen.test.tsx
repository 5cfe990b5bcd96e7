import { render, screen } from '@testing-library/react';
import { act, Suspense, useState } from 'react';
import { Text } from 'react-native';
import { lazyScreen, preloadScreens } from './lazyScreen';

let mounted = 0;
function Counted({ name }: { name: string }) {
  const [number] = useState(() => ++mounted);
  return (
    <Text>
      {name} {number}
    </Text>
  );
}

const shown = (Screen: ReturnType<typeof lazyScreen<'Counted', { name: string }>>, name: string) => (
  <Suspense fallback={<Text>Loading</Text>}>
    <Screen name={name} />
  </Suspense>
);

beforeEach(() => {
  mounted = 0;
});

it('shows what stands in for a screen until its code is there, and keeps its state from then on', async () => {
  const Screen = lazyScreen(() => Promise.resolve({ Counted }), 'Counted');
  const { rerender } = render(shown(Screen, 'tray'));
  expect(screen.getByText('Loading')).toBeTruthy();
  expect(await screen.findByText('tray 1')).toBeTruthy();
  rerender(shown(Screen, 'desk'));
  expect(screen.getByText('desk 1')).toBeTruthy();
});

it('shows a screen at once whose code was asked for ahead', async () => {
  const Screen = lazyScreen(() => Promise.resolve({ Counted }), 'Counted');
  await Screen.preload();
  render(shown(Screen, 'tray'));
  expect(screen.getByText('tray 1')).toBeTruthy();
});

it('asks for the code of every screen, also after one that cannot be had', async () => {
  lazyScreen<'Counted', { name: string }>(() => Promise.reject(new Error('no network')), 'Counted');
  const load = jest.fn(() => Promise.resolve({ Counted }));
  const Screen = lazyScreen(load, 'Counted');
  await act(() => preloadScreens(new AbortController().signal));
  expect(load).toHaveBeenCalledTimes(1);
  render(shown(Screen, 'tray'));
  expect(screen.getByText('tray 1')).toBeTruthy();
});

it('says so where its code cannot be had, and leaves all else as it is', async () => {
  const Screen = lazyScreen<'Counted', { name: string }>(() => Promise.reject(new Error('no network')), 'Counted');
  render(
    <>
      <Text>beside it</Text>
      {shown(Screen, 'tray')}
    </>,
  );
  expect(await screen.findByText('This part could not be fetched')).toBeTruthy();
  expect(screen.getByText('beside it')).toBeTruthy();
});
