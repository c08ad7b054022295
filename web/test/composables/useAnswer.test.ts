import { createPinia, setActivePinia } from "pinia";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { effectScope, nextTick, type EffectScope } from "vue";
import type { Followed } from "@/api/client";
import type { Job } from "@/api/types";
import { useAnswer, type Answer } from "@/composables/useAnswer";
import { useJob } from "@/stores/job";
import { useMessages } from "@/stores/messages";
import sample from "../../../test/data/api/job.json";

const job = sample as unknown as Job;

describe("an answer about the revision on the screen", () => {
  let scope: EffectScope;
  let answer: Answer<string>;

  /** A question whose answer comes when the test says so. */
  function slow() {
    let give!: (value: string) => void;
    let refuse!: (why: Error) => void;
    const promise = new Promise<string>((resolve, reject) => ([give, refuse] = [resolve, reject]));
    return {
      question: vi.fn<(id: string, revision: number, followed: Followed) => Promise<string>>(() => promise),
      give,
      refuse,
    };
  }

  const start = (quiet = false) => scope.run(() => (answer = useAnswer<string>({ quiet })))!;

  beforeEach(async () => {
    setActivePinia(createPinia());
    vi.stubGlobal("fetch", (path: string) =>
      Promise.resolve(path.includes("/arrays/") ? new Response(new Uint8Array()) : new Response(JSON.stringify(job))),
    );
    await useJob().open(job.id);
    scope = effectScope();
    start();
  });
  afterEach(() => scope.stop());

  it("asks with the job and its revision, and keeps what comes", async () => {
    const { question, give } = slow();
    const asked = answer.ask(question);
    expect(answer.asking.value).toBe(true);
    expect(question.mock.calls[0]!.slice(0, 2)).toEqual([job.id, job.revision]);
    give("seven");
    expect(await asked).toBe("seven");
    expect([answer.value.value, answer.asking.value]).toEqual(["seven", false]);
  });

  it("drops the earlier of two questions, whichever comes last", async () => {
    const [first, second] = [slow(), slow()];
    const early = answer.ask(first.question);
    const late = answer.ask(second.question);
    expect(first.question.mock.calls[0]![2].signal!.aborted).toBe(true);
    second.give("new");
    expect(await late).toBe("new");
    first.give("old");
    expect(await early).toBeNull();
    expect(answer.value.value).toBe("new");
  });

  it("forgets what it has, and drops what is about another revision, when the job changes", async () => {
    const known = slow();
    known.give("known");
    await answer.ask(known.question);
    const { question, give } = slow();
    const asked = answer.ask(question);
    useJob().job = { ...job, revision: job.revision + 1 };
    await nextTick();
    expect(answer.value.value).toBeNull();
    give("stale");
    expect(await asked).toBeNull();
    expect(answer.value.value).toBeNull();
  });

  it("says what went wrong, once, and nothing where it is only a hint or was left", async () => {
    const fail = vi.spyOn(useMessages(), "fail").mockImplementation(() => undefined);
    const loud = slow();
    const asked = answer.ask(loud.question);
    loud.refuse(new Error("no"));
    expect(await asked).toBeNull();
    expect(fail).toHaveBeenCalledTimes(1);

    const left = slow();
    const leaving = answer.ask(left.question);
    expect(answer.forget()).toBe(true);
    left.refuse(new Error("aborted"));
    await leaving;
    start(true);
    const hint = slow();
    const hinted = answer.ask(hint.question);
    hint.refuse(new Error("no"));
    await hinted;
    expect(fail).toHaveBeenCalledTimes(1);
  });
});
