import { Box, Button, Image, Text } from '@chakra-ui/react';
import { toDataURL } from 'qrcode';
import { useEffect, useState } from 'react';
import { addressOf, api, useAsked } from '../../data/client.ts';

/** To the table without the machine: the plan as one page, or Woodbine itself on a tablet of the home network. */
export function Tablet({ project }: { project: string }) {
  const { data, mutate } = useAsked('GET /api/network', {});
  const [sure, setSure] = useState(false);
  const [wrong, setWrong] = useState<string | null>(null);
  const turn = async (on: boolean): Promise<void> => {
    setSure(false);
    setWrong(null);
    try {
      await mutate(api.network(on), { revalidate: false });
    } catch (e) {
      setWrong((e as Error).message);
    }
  };
  return (
    <Box as="details" mb="4">
      <Box as="summary" cursor="pointer" minH="44px" fontWeight="600">
        On a tablet
      </Box>
      <Text mb="2">
        <a
          href={addressOf('GET /api/projects/{id}/export/plan.html', { id: project })}
          download
          style={{ textDecoration: 'underline' }}
        >
          One page with everything in it
        </a>
        : it needs no network, and keeps its own ticks.
      </Text>
      {wrong && (
        <Text role="alert" color="berry">
          {wrong}
        </Text>
      )}
      {data?.can && !data.on && !sure && (
        <Button variant="outline" borderColor="rule" minH="44px" onClick={() => setSure(true)}>
          Open Woodbine to the home network
        </Button>
      )}
      {sure && (
        <Box borderLeftWidth="4px" borderColor="honey" pl="4" role="group" aria-label="Before it is opened">
          <Text mb="2">
            Whoever has the link sees and changes all your projects, and what goes over the line can be read by others
            in the same network. At home only, and shut it when you are done.
          </Text>
          <Button colorPalette="leaf" minH="44px" mr="3" onClick={() => void turn(true)}>
            Open it
          </Button>
          <Button variant="outline" borderColor="rule" minH="44px" onClick={() => setSure(false)}>
            Leave it shut
          </Button>
        </Box>
      )}
      {data?.can && data.on && <Paired links={data.links} onShut={() => void turn(false)} project={project} />}
      {data && !data.can && <Text color="quiet">You are here by the home network.</Text>}
    </Box>
  );
}

/** The links, to be photographed with the tablet, and the way to shut it. */
function Paired({ links, onShut, project }: { links: string[]; onShut: () => void; project: string }) {
  return (
    <Box borderLeftWidth="4px" borderColor="honey" pl="4">
      <Text fontWeight="600">Open to the home network.</Text>
      {links.length === 0 && <Text>This machine is in no network: there is no link to it.</Text>}
      {links.map((link) => (
        <Code key={link} link={link.replace('/?key=', `/project/${project}/bench?key=`)} />
      ))}
      <Text fontSize="15px" color="quiet" mb="2">
        Hold the tablet’s camera to it. Over the home network a browser neither keeps the page for when there is no way,
        nor the screen on: for that the one page is better.
      </Text>
      <Button variant="outline" borderColor="honey" minH="44px" onClick={onShut}>
        Shut it again
      </Button>
    </Box>
  );
}

function Code({ link }: { link: string }) {
  const [drawn, setDrawn] = useState('');
  useEffect(() => {
    let gone = false;
    void toDataURL(link, { margin: 2, width: 220 }).then((d) => !gone && setDrawn(d));
    return () => {
      gone = true;
    };
  }, [link]);
  return (
    <Box my="2">
      {drawn && <Image src={drawn} alt="The link as a code for a camera" w="220px" h="220px" borderRadius="6px" />}
      <Text fontSize="14px" overflowWrap="anywhere">
        {link}
      </Text>
    </Box>
  );
}
