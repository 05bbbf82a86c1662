import { Flex, Image } from '@chakra-ui/react';
import { addressOf } from '../data/client.ts';

interface Props {
  project: string;
  /** Stored pictures, by id. */
  files: readonly string[];
  /** What they show. */
  words: string;
  height?: string;
}

/** Pictures of a notebook in a row, small; each opens as it was put in. */
export const PictureRow = ({ project, files, words, height = '160px' }: Props) =>
  files.length > 0 && (
    <Flex gap="3" wrap="wrap" mt="2">
      {files.map((file) => {
        const at = addressOf('GET /api/projects/{id}/pictures/{file}', { id: project, file });
        return (
          <a key={file} href={at} target="_blank" rel="noreferrer">
            <Image src={`${at}?size=small`} alt={words} h={height} borderRadius="6px" loading="lazy" />
          </a>
        );
      })}
    </Flex>
  );
