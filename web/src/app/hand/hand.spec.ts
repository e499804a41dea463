import { outboxActions } from '../outbox/outbox.state';
import { pulled, viewOf } from '../testing/bench';
import { handActions, handFeature, type HandState } from './hand.state';

describe('The combination in hand', () => {
  const { reducer } = handFeature;
  const start: HandState = { id: null, view: null, confirmed: [], problem: null };
  const forces = (state: HandState) =>
    state.view?.entries.map(({ body }) => (body.kind === 'reading' ? body.force : null));
  const older = viewOf({ entries: [{ ...pulled(1, 141.6), seq: 1 }] });
  const entry = { ...pulled(2, 138.2), seq: 2 };
  const kept = outboxActions.kept({ id: entry.id, combination: 'c1', entry });

  it('shows a reading confirmed while an older view was still on its way', () => {
    const taken = reducer(start, handActions.take({ id: 'c1' }));
    expect(forces(reducer(reducer(taken, kept), handActions.loaded({ view: older })))).toEqual([141.6, 138.2]);
  });

  it('does not lose a reading to a refresh that was asked for before it', () => {
    const loaded = reducer(reducer(start, handActions.take({ id: 'c1' })), handActions.loaded({ view: older }));
    expect(forces(reducer(reducer(loaded, kept), handActions.loaded({ view: older })))).toEqual([141.6, 138.2]);
  });

  it('shows it once when the view has it already, and never in another combination', () => {
    const taken = reducer(reducer(start, handActions.take({ id: 'c1' })), kept);
    expect(
      forces(reducer(taken, handActions.loaded({ view: { ...older, entries: [...older.entries, entry] } }))),
    ).toEqual([141.6, 138.2]);
    const other = reducer(taken, handActions.take({ id: 'c2' }));
    expect(other.confirmed).toEqual([]);
    expect(reducer(other, handActions.loaded({ view: older })).view).toBeNull();
  });
});
