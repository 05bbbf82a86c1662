import { Box, Button, Flex, Heading, Text } from '@chakra-ui/react';
import { Component, type ReactNode } from 'react';

interface Props {
  /** What stopped, as it is called in the sentence. */
  what: string;
  /** Where to go on; changing it tries again. */
  place: string;
  children: ReactNode;
}

/** A screen that stops says so and shows a way on; all that was stored is as it was. */
export class Boundary extends Component<Props, { failed: Error | null; at: string }> {
  override state = { failed: null as Error | null, at: this.props.place };

  static getDerivedStateFromError(failed: Error) {
    return { failed };
  }
  /** Another place is another try. */
  static getDerivedStateFromProps(props: Props, state: { failed: Error | null; at: string }) {
    return props.place === state.at ? null : { failed: null, at: props.place };
  }

  override render(): ReactNode {
    if (!this.state.failed) return this.props.children;
    return (
      <Box role="alert" bg="sheet" borderWidth="1px" borderColor="berry" borderRadius="6px" p="5" m="4" maxW="62ch">
        <Heading as="h1" fontSize="24px" fontWeight="600" mb="2">
          {this.props.what} stopped
        </Heading>
        <Text>
          That is a fault of Woodbine, not of yours. All that was saved is as it was. Try again, go to another page, or
          undo your last change if it came with that.
        </Text>
        <Flex gap="3" mt="3" wrap="wrap">
          <Button size="sm" colorPalette="leaf" onClick={() => this.setState({ failed: null })}>
            Try again
          </Button>
          <Button size="sm" variant="outline" borderColor="rule" onClick={() => window.location.reload()}>
            Open the page anew
          </Button>
          <Button size="sm" variant="outline" borderColor="rule" onClick={() => window.location.assign('/')}>
            To the shelf
          </Button>
        </Flex>
      </Box>
    );
  }
}
