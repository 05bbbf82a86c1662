import { type Decisions } from '../../core/document/project.ts';
import { compareMethods, makePlan, type Plan, type Rival, type Task, type Topic } from '../../core/plan/index.ts';
import { type Result } from '../../core/result.ts';

/** A garment to be planned, or its methods of one topic to be compared. */
export interface Asked {
  id: number;
  task: Task;
  choices: Decisions['making'];
  topic: Topic | null;
}

export interface Answered {
  id: number;
  plan: Result<Plan> | null;
  rivals: Rival[] | null;
}

// A thin shell round the planner: ordering looks at thousands of sequences, and the screen goes on meanwhile.
self.onmessage = ({ data: { id, task, choices, topic } }: MessageEvent<Asked>) => {
  const answer: Answered = topic
    ? { id, plan: null, rivals: compareMethods(task, choices, topic) }
    : { id, plan: makePlan(task, choices), rivals: null };
  self.postMessage(answer);
};
