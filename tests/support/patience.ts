/** A busy machine makes a test slow and not wrong: Jest takes no testTimeout from a project, so it is set here. */
jest.setTimeout(300_000);
