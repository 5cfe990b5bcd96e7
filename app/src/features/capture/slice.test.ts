import { createStore } from '@/store';
import { captureSlice, selectShots } from './slice';

const { backAwaited, shotTaken, shotTakenBack } = captureSlice.actions;
const shot = (id: string, isBack = false) => ({ id, thumbnail: '', isBack });

describe('pictures taken one after another', () => {
  it('remember that a back is to come, also when it was taken back to be taken again', () => {
    const { dispatch, getState } = createStore();
    dispatch(shotTaken(shot('front')));
    dispatch(backAwaited(true));
    expect(getState().capture.backNext).toBe(true);
    dispatch(shotTaken(shot('back', true)));
    expect(getState().capture.backNext).toBe(false);
    dispatch(shotTakenBack());
    expect(selectShots(getState()).map(({ id }) => id)).toEqual(['front']);
    expect(getState().capture).toMatchObject({ backNext: true, shotCount: 1 });
    dispatch(shotTakenBack());
    dispatch(shotTakenBack());
    expect(getState().capture.shotCount).toBe(0);
  });

  it('are shown only as the last few, and counted all', () => {
    const { dispatch, getState } = createStore();
    for (let i = 0; i < 20; i++) dispatch(shotTaken(shot(`${i}`)));
    expect(selectShots(getState()).length).toBeLessThan(20);
    expect(selectShots(getState()).at(-1)!.id).toBe('19');
    expect(getState().capture.shotCount).toBe(20);
  });
});
