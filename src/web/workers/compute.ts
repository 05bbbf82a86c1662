import { compute } from '../../core/document/compute.ts';
import { type ProjectDocument, type Shell } from '../../core/document/project.ts';

/** A document to be worked out; its shell comes along only when it is another than last time. */
export interface Task {
  id: number;
  rest: Omit<ProjectDocument, 'shell'>;
  shell?: Shell | null;
}

let shell: Shell | null = null;

// A thin shell round the computation, for patterns so large that the screen would stand still meanwhile.
self.onmessage = ({ data }: MessageEvent<Task>) => {
  if (data.shell !== undefined) shell = data.shell;
  self.postMessage({ id: data.id, computed: compute({ ...data.rest, shell }) });
};
