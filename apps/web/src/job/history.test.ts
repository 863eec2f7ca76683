import { beginHistory, changed, redone, undone } from './history.ts';

test('changes of one gesture undo as one, others one by one, and a new change forgets what was undone', () => {
  let history = beginHistory('a');
  history = changed(history, 'b', 'drag-1');
  history = changed(history, 'c', 'drag-1');
  history = changed(history, 'd', 'drag-2');
  expect(undone(history).present).toBe('c');
  expect(undone(undone(history)).present).toBe('a');
  expect(undone(undone(undone(history))).present).toBe('a');
  expect(redone(redone(undone(undone(history)))).present).toBe('d');
  const branched = changed(undone(history), 'e', 'drag-2');
  expect(redone(branched).present).toBe('e');
  expect(undone(branched).present).toBe('c');
});
