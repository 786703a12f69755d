/** To be taken in first by a test of what a page computes: without a browser there are no other tabs, and a channel to them would keep the test from ending. */
Reflect.deleteProperty(globalThis, 'BroadcastChannel');
