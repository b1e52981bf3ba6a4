import { Box, Flex, Text } from '@chakra-ui/react';
import type { CutDto, LotCutsDto, LotView } from '@coiled-strand/contract';
import type { ReactNode } from 'react';
import { useUnits } from '../../../ui/settings/use-units';
import { amountText, lotText, nameOf } from './words';
import './cut-bars.css';

interface Props {
  readonly cuts: readonly CutDto[];
  readonly lots: readonly LotCutsDto[];
  readonly stock: readonly LotView[];
  /** What was left of a lot before the first of these cuts; what is left now when left out. */
  readonly before?: (lot: LotView) => number;
  /** What stands beside a cut in the list below its bar. */
  readonly row?: (cut: CutDto, lot: LotView) => ReactNode;
  readonly isMade?: (cut: string) => boolean;
}

/** Every lot as a bar, true to scale, with its cuts in the order in which they are cut. */
export function CutBars({ cuts, lots, stock, before = (lot) => lot.left, row, isMade }: Props) {
  const units = useUnits();
  const byId = new Map(cuts.map((cut) => [cut.id, cut]));
  const rows = lots.flatMap(({ lot: id, cuts: own }) => {
    const lot = stock.find((one) => one.id === id);
    return lot ? [{ lot, own: own.flatMap((cut) => byId.get(cut) ?? []) }] : [];
  });
  // One scale for all: the longest sum of cuts and a stub of what is left fill the page.
  const longest = Math.max(
    1,
    ...rows.map(({ own }) => own.reduce((sum, { length }) => sum + length, 0)),
  );
  const scale = longest * 1.16;
  return (
    <Flex direction="column" gap="7">
      {rows.map(({ lot, own }) => (
        <Box key={lot.id} className="print-keep" data-testid="cut-lot">
          <Flex gap="3" align="baseline" flexWrap="wrap" mb="1.5">
            <Text fontWeight="600" fontSize="lg">
              {nameOf(lot.thing)}
            </Text>
            <Text color="muted">
              {lotText(lot)}; {amountText(lot.thing, before(lot), units)} there
            </Text>
          </Flex>
          <Bar lot={lot} own={own} scale={scale} there={before(lot)} isMade={isMade} />
          <Flex as="ol" listStyleType="none" m="0" p="0" mt="2" direction="column">
            {own.map((cut, i) => (
              <CutLine key={cut.id} index={i + 1} cut={cut} made={isMade?.(cut.id) ?? false}>
                {row?.(cut, lot)}
              </CutLine>
            ))}
          </Flex>
        </Box>
      ))}
    </Flex>
  );
}

interface BarProps {
  readonly lot: LotView;
  readonly own: readonly CutDto[];
  /** Length in mm that fills the page. */
  readonly scale: number;
  readonly there: number;
  readonly isMade: Props['isMade'];
}

/** Percent of the page. */
const percent = (mm: number, scale: number): string => `${(100 * mm) / scale}%`;

function Bar({ lot, own, scale, there, isMade }: BarProps) {
  const units = useUnits();
  const used = own.reduce((sum, { length }) => sum + length, 0);
  const rest = Math.max(0, there - used);
  const room = scale - used;
  const broken = rest > room;
  const useful = rest >= (lot.useful ?? 300);
  return (
    <Flex h="34px" className="cut-bar print-row" aria-hidden>
      {own.map((cut, i) => (
        <Box
          key={cut.id}
          className="cut"
          style={{ width: percent(cut.length, scale), background: cut.colour }}
          data-made={isMade?.(cut.id) ?? false}
          title={`${cut.piece}: ${cut.role}, ${units.cord(cut.length)}`}
        >
          <span>{i + 1}</span>
        </Box>
      ))}
      {rest > 0.5 && (
        <Box
          className={useful ? 'rest' : 'waste'}
          style={{ width: percent(broken ? room : rest, scale) }}
          data-broken={broken}
        >
          <span>{units.cord(rest)}</span>
        </Box>
      )}
    </Flex>
  );
}

interface LineProps {
  readonly index: number;
  readonly cut: CutDto;
  readonly made: boolean;
  readonly children?: ReactNode;
}

function CutLine({ index, cut, made, children }: LineProps) {
  const units = useUnits();
  return (
    <Flex
      as="li"
      className="print-row"
      gap="3"
      py="1.5"
      align="center"
      flexWrap={{ base: 'wrap', md: 'nowrap' }}
      color={made ? 'muted' : 'ink'}
      data-testid="cut-line"
    >
      <Box className="print-only tick-box" aria-hidden />
      <Text w="22px" textAlign="right" color="muted">
        {index}
      </Text>
      <Text w="112px" fontWeight="600" fontSize="lg">
        {units.cord(cut.length)}
      </Text>
      <Box flex="1" minW="160px">
        <Text lineHeight="1.25">
          {cut.piece}
          {cut.copy > 1 && ` (${cut.copy})`}: {cut.role.toLowerCase()}
        </Text>
        {cut.fold !== undefined && (
          <Text fontSize="sm" color="muted">
            folded at {units.cord(cut.fold)}
          </Text>
        )}
      </Box>
      {children}
    </Flex>
  );
}
