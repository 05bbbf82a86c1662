import { Box, Flex } from '@chakra-ui/react';
import { useMemo } from 'react';
import { type Computed } from '../../core/document/compute.ts';
import {
  drawnAs,
  edgesOf,
  type Layers,
  layersOf,
  litOf,
  type Part,
  type Plan,
  type PlanStep,
} from '../../core/plan/index.ts';
import { type LengthUnit } from '../../core/units.ts';
import { isOnMap, StepMap } from './StepMap.tsx';
import { StepPieces } from './StepPictures.tsx';
import { TurningLayers } from './TurningLayers.tsx';

interface Props {
  step: PlanStep;
  plan: Plan;
  computed: Computed;
  /** Ids of the steps that are sewn already. */
  sewn: ReadonlySet<string>;
  names: Record<string, string>;
  units: LengthUnit;
  /** Of the map, px. */
  height: number;
}

const LAYERS: ReadonlySet<Part['material']> = new Set(['lining', 'facing']);

/** Where on the garment a step is, with what is sewn already filled in; or its pieces, where it is on none of them. */
export function StepPlace({ step: s, plan, computed, sewn, units, height }: Omit<Props, 'names'>) {
  const { making, steps } = plan;
  const { surface, shell } = computed;
  const parts = useMemo(() => new Map(making.parts.map((q) => [q.id, q])), [making]);
  const lit = useMemo(() => litOf(s, making), [s, making]);
  const green = useMemo(() => {
    const joints = new Map(making.joints.map((j) => [j.id, j]));
    const done = steps.filter((x) => sewn.has(x.id) && x.id !== s.id);
    const joined = done.flatMap((x) => x.sews.flatMap((y) => joints.get(y.joint) ?? []));
    return new Set(edgesOf(joined).map((k) => drawnAs(k, parts)));
  }, [s, steps, sewn, making, parts]);
  const about = useMemo(() => new Set(s.pieces.map((id) => parts.get(id)?.of ?? id)), [s, parts]);
  const inside = useMemo(
    () => computed.inside.filter((q) => about.has(q.id) && LAYERS.has(q.material)),
    [computed.inside, about],
  );
  if (isOnMap(surface, inside, lit) || (!lit.size && s.pieces.length > 0))
    return <StepMap {...{ surface, shell, inside, units, lit, about, height }} sewn={green} />;
  return <StepPieces step={s} making={making} pieces={computed.pieces} />;
}

/** How the layers of a step lie, and how they turn; nothing where it joins none. */
export function StepLayers({ step, plan, names, units }: Pick<Props, 'step' | 'plan' | 'names' | 'units'>) {
  const layers: Layers | null = layersOf(step, plan);
  return layers && <TurningLayers key={step.id} layers={layers} names={names} units={units} />;
}

/** Both beside each other. */
export const StepScene = (p: Props) => (
  <Flex gap="6" wrap="wrap" align="flex-start" my="3">
    <Box flex="1 1 380px" minW="0">
      <StepPlace {...p} />
    </Box>
    <StepLayers {...p} />
  </Flex>
);
