import { Table } from '@chakra-ui/react';

/** The head of a table, a name for each column. */
export const HeadRow = ({ heads }: { heads: readonly string[] }) => (
  <Table.Header>
    <Table.Row bg="transparent">
      {heads.map((h) => (
        <Table.ColumnHeader key={h} color="quiet">
          {h}
        </Table.ColumnHeader>
      ))}
    </Table.Row>
  </Table.Header>
);
