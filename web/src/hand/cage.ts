import { defineStore } from "pinia";
import { computed, ref } from "vue";
import type { Pair } from "@/api/types";
import { boxAround } from "@/sheet/handles";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";

export const CAGE = { columns: 3, rows: 3 };

const choose = (n: number, k: number): number => (k === 0 ? 1 : (choose(n, k - 1) * (n - k + 1)) / k);
const share = (t: number, i: number, count: number) => choose(count - 1, i) * t ** i * (1 - t) ** (count - 1 - i);

/**
 * A cage of handles over the picked islands. What stays of a pull is what the server answers; here it is only shown
 * while the hand pulls.
 */
export const useCage = defineStore("cage", () => {
  const jobs = useJob();
  const selection = useSelection();
  const on = ref(false);
  /** the handle that is pulled */
  const held = ref<number | null>(null);

  const box = computed(() =>
    on.value ? boxAround(jobs.islands.filter((island) => selection.islands.includes(island.index))) : null,
  );
  const handles = computed<Pair[]>(() => {
    const around = box.value;
    if (!around) return [];
    const at = (low: number, high: number, i: number, count: number) => low + ((high - low) * i) / (count - 1);
    return Array.from({ length: CAGE.columns * CAGE.rows }, (_, i) => [
      at(around.left, around.right, i % CAGE.columns, CAGE.columns),
      at(around.top, around.bottom, Math.floor(i / CAGE.columns), CAGE.rows),
    ]);
  });

  function at(place: Pair, reach: number): number | null {
    const near = handles.value.findIndex(([x, y]) => Math.hypot(x - place[0], y - place[1]) < reach);
    return near < 0 ? null : near;
  }

  /** Where a place goes when the held handle is pulled so far. */
  function bend([dx, dy]: Pair): (x: number, y: number) => Pair {
    const around = box.value!;
    const handle = held.value!;
    const along = (value: number, low: number, high: number) =>
      Math.min(Math.max(high > low ? (value - low) / (high - low) : 0, 0), 1);
    return (x, y) => {
      const weight =
        share(along(x, around.left, around.right), handle % CAGE.columns, CAGE.columns) *
        share(along(y, around.top, around.bottom), Math.floor(handle / CAGE.columns), CAGE.rows);
      return [x + weight * dx, y + weight * dy];
    };
  }

  const pull = (shift: Pair) =>
    jobs.operate("bend_islands", {
      islands: [...selection.islands],
      ...CAGE,
      shifts: handles.value.map((_, i) => (i === held.value ? shift : [0, 0])),
    });

  return { on, held, box, handles, at, bend, pull };
});
