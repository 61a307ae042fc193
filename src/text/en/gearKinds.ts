import type { Kind } from '@/document';

interface KindText {
  readonly title: string;
  /** What a new one is called until it has a name. */
  readonly fresh: string;
  readonly add: string;
  readonly chosen: string;
  readonly choose: string;
  readonly search: string;
  readonly none: string;
}

/** What is said of each kind of gear. */
export const GEAR_KINDS: Readonly<Record<Kind, KindText>> = {
  lenses: {
    title: 'Lenses',
    fresh: 'New lens',
    add: 'Add a lens',
    chosen: 'Chosen lens',
    choose: 'Choose a lens in the table to see and change it.',
    search: 'Search lenses',
    none: 'No lenses yet. Add one, paste a list, or look it up.',
  },
  bodies: {
    title: 'Cameras',
    fresh: 'New camera',
    add: 'Add a camera',
    chosen: 'Chosen camera',
    choose: 'Choose a camera in the table to see and change it.',
    search: 'Search cameras',
    none: 'No cameras yet. Add one, paste a list, or look it up.',
  },
  converters: {
    title: 'Converters',
    fresh: 'New converter',
    add: 'Add a converter',
    chosen: 'Chosen converter',
    choose: 'Choose a converter in the table to see and change it.',
    search: 'Search converters',
    none: 'No converters yet. Add one.',
  },
  tubes: {
    title: 'Tubes',
    fresh: 'New tube',
    add: 'Add a tube',
    chosen: 'Chosen tube',
    choose: 'Choose a tube in the table to see and change it.',
    search: 'Search tubes',
    none: 'No tubes yet. Add one.',
  },
  adapters: {
    title: 'Adapters',
    fresh: 'New adapter',
    add: 'Add an adapter',
    chosen: 'Chosen adapter',
    choose: 'Choose an adapter in the table to see and change it.',
    search: 'Search adapters',
    none: 'No adapters yet. Add one.',
  },
};

/** The mount of the first gear, until it has a name. */
export const NEW_MOUNT = 'My mount';

/** What a copy is called. */
export const copyName = (name: string) => `${name}, copy`;
