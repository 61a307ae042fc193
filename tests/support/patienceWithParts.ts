import { configure } from '@testing-library/react';

/** A busy machine makes a part slow to show and not wrong: the usual second is no fault's sign. */
configure({ asyncUtilTimeout: 120_000 });
