import { act, renderHook } from '@testing-library/react';
import { demoFile, held } from '../../tests/support/render';
import { useCarryPlan } from './useCarryPlan';

const mockPlans: { done: (answer: unknown) => void }[] = [];
jest.mock('@/workers/backgroundClient', () => ({
  planCarrying: (_question: unknown, _result: unknown, report: { done: () => void }) => {
    mockPlans.push(report);
    return () => undefined;
  },
}));

const mockQuestion = demoFile();
jest.mock('./hooks', () => ({
  ...jest.requireActual('../../tests/support/render').sessionStandIn,
  useAnswer: () => ({
    result: jest.requireActual('../../tests/support/render').held.result,
    question: mockQuestion,
    thinking: false,
    error: null,
  }),
}));

test('a tick in the packing list plans nothing anew; the order of pictures does', () => {
  Object.assign(held, { file: mockQuestion, result: { frames: [] } });
  const { result, rerender } = renderHook(() => useCarryPlan());
  expect(mockPlans).toHaveLength(1);
  const answer = { plan: { stretches: [] } };
  act(() => mockPlans[0]!.done(answer));
  const change = (packing: Partial<typeof mockQuestion.packing>) => {
    held.file = { ...held.file, packing: { ...held.file.packing, ...packing } };
    rerender();
  };
  change({ ticked: ['rain'] });
  change({ things: [{ id: 'water', name: 'Water', weightG: 500 }] });
  expect(mockPlans).toHaveLength(1);
  expect(result.current).toMatchObject({ answer, thinking: false });
  expect(result.current.question?.packing.ticked).toEqual(['rain']);
  change({ prefer: 'weight' });
  expect(mockPlans).toHaveLength(2);
  expect(result.current.thinking).toBe(true);
});
