/** How the name of a tab looks. */
export const TAB_LOOK =
  'border-b-2 border-transparent px-2 py-1 hover:bg-chosen max-sm:min-h-[44px] data-[state=active]:border-ink data-[state=active]:font-semibold';
