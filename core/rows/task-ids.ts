/** What may be due again at a connection: a connector's age, a stop to be exercised, a stop-leak insert, its spares, a line that lies open. */
export const TASK_IDS = ['connector', 'stop', 'insert', 'spares', 'open-line'] as const;
export type TaskId = (typeof TASK_IDS)[number];
