import { useQuery } from '@tanstack/react-query';
import { api, type Task, type TaskData, unwrap } from '../api/client';
import { useChange } from '../api/useChange';

/** Work besides cuts. */
export const useTasks = (siteId: number) =>
  useQuery({
    queryKey: ['tasks', siteId],
    queryFn: async () => unwrap(await api.GET('/api/sites/{siteId}/tasks', { params: { path: { siteId } } })),
  });

export const useAddTask = (siteId: number) =>
  useChange(async (body: TaskData) =>
    unwrap(await api.POST('/api/sites/{siteId}/tasks', { params: { path: { siteId } }, body })),
  );

/** A task that is kept; one that is only asked for is taken up first. */
async function taken(siteId: number, task: Task): Promise<Task> {
  if (task.id != null) return task;
  return unwrap(
    await api.POST('/api/sites/{siteId}/tasks/taken-up', {
      params: { path: { siteId } },
      body: { key: task.key! },
    }),
  );
}

export type TaskAction =
  | { do: 'done'; task: Task; on: string; note?: string }
  | { do: 'not-done'; task: Task }
  | { do: 'put-on'; task: Task; dayId: number }
  | { do: 'drop'; task: Task };

/** What can be done with a task. */
export const useTaskAction = (siteId: number) =>
  useChange(async (action: TaskAction) => {
    const taskId = (await taken(siteId, action.task)).id!;
    const path = { params: { path: { taskId } } };
    switch (action.do) {
      case 'done':
        return unwrap(
          await api.POST('/api/tasks/{taskId}/done', {
            ...path,
            body: { on: action.on, note: action.note },
          }),
        );
      case 'not-done':
        return unwrap(await api.DELETE('/api/tasks/{taskId}/done', path));
      case 'drop':
        return unwrap(await api.DELETE('/api/tasks/{taskId}', path));
      case 'put-on': {
        const dayPath = { params: { path: { dayId: action.dayId } } };
        const day = unwrap(await api.GET('/api/days/{dayId}', dayPath));
        return unwrap(
          await api.PUT('/api/days/{dayId}/tasks', {
            ...dayPath,
            body: { version: day.version, tasks: [...day.tasks.map((one) => one.id), taskId] },
          }),
        );
      }
    }
  });

/** Which tasks stand on a day. */
export const useTasksOfDay = (dayId: number, version: number) =>
  useChange(async (tasks: number[]) =>
    unwrap(
      await api.PUT('/api/days/{dayId}/tasks', { params: { path: { dayId } }, body: { version, tasks } }),
    ),
  );
