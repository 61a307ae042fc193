export const FIGURE_LOOK =
  'text-left decoration-dotted underline-offset-2 hover:underline focus-visible:underline';
