import { Text } from '@chakra-ui/react';
import { Navigate } from 'react-router';
import { STASH } from '../../core/document/project.ts';
import { useAsked } from '../data/client.ts';

/** The way into the stash: it is begun when it is first asked for, and opens like a project. */
export function StashDoor() {
  const { data, error } = useAsked('GET /api/stash', {});
  if (data) return <Navigate to={`/project/${STASH}/stash`} replace />;
  return (
    <Text p="8" {...(error ? { role: 'alert', color: 'berry' } : { color: 'quiet' })}>
      {error?.message ?? 'Opening the stash …'}
    </Text>
  );
}
