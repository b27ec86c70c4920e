/**
 * The library's own layer between JavaScript and WebAssembly writes its callers as program text and has it evaluated, which
 * the policy of our pages rightly forbids. Here the same callers are made as closures.
 */
type Call = (...args: unknown[]) => unknown;
type Factory = (...given: unknown[]) => Call;

/**
 * Into the library: what is handed in is turned into the library's values, what comes out is turned back.
 * @param names what the text would be given, in order
 * @param text the caller's text
 */
function callerInto(names: readonly string[], text: string): Factory {
  const [ofObject, returns, stacked] = [text.includes('thisWired'), text.includes('var rv'), text.includes('var destructors')];
  const toArg = names.flatMap((name, i) => (/^toArg\d+Wire$/.test(name) ? [i] : []));
  const tidied = names.flatMap((name, i) => {
    const found = /^(?:this|arg(\d+))Wired_dtor$/.exec(name);
    return found ? [{ by: i, which: found[1] === undefined ? 0 : Number(found[1]) + (ofObject ? 1 : 0) }] : [];
  });
  const [invoker, fn, runAll, fromWire, toThis] = ['invoker', 'fn', 'runDestructors', 'fromRetWire', 'toClassParamWire'].map((n) =>
    names.indexOf(n),
  );
  return (...given) => {
    const call = (i: number): Call => given[i] as Call;
    return function (this: unknown, ...args: unknown[]): unknown {
      const destructors: unknown[] | null = stacked ? [] : null;
      const self = ofObject ? [call(toThis!)(destructors, this)] : [];
      const wired = [...self, ...toArg.map((i, k) => call(i)(destructors, args[k]))];
      const result = call(invoker!)(given[fn!], ...wired);
      if (stacked) call(runAll!)(destructors);
      for (const { by, which } of tidied) call(by)(wired[which]);
      return returns ? call(fromWire!)(result) : undefined;
    };
  };
}

/** Bytes of an argument in the library's memory. */
const ARGUMENT = 8;

/** Out of the library: it calls a function or a method of an object, or makes an object, by handles. */
function callerOutOf(names: readonly string[], text: string): Factory {
  const read = names.flatMap((name, i) => (name.startsWith('argFromPtr') ? [i] : []));
  const [toValue, nameOf, toWire, kept] = ['toValue', 'getStringOrSymbol', 'toReturnWire', 'emval_returnValue'].map((n) =>
    names.indexOf(n),
  );
  const [makes, casts] = [text.includes('new (toValue'), !text.includes('toValue(handle)')];
  return (...given) => {
    const call = (i: number): Call => given[i] as Call;
    const called = (handle: unknown, method: unknown, args: unknown[]): unknown => {
      if (casts) return args[args.length - 1];
      const target = call(toValue!)(handle);
      if (makes) return Reflect.construct(target as Call, args);
      const from = nameOf! < 0 ? undefined : target;
      const wanted = nameOf! < 0 ? target : (target as Record<string, unknown>)[call(nameOf!)(method) as string];
      return Reflect.apply(wanted as Call, from, args);
    };
    return (handle, method, destructors, at) => {
      const args = read.map((i, k) => call(i)((at as number) + ARGUMENT * k));
      const result = called(handle, method, args);
      return kept! < 0 ? undefined : call(kept!)(given[toWire!], destructors, result);
    };
  };
}

/** Called with `new`, as `Function` is. */
function callerFrom(names: readonly string[], text: string): Factory {
  return names.includes('invoker') ? callerInto(names, text) : callerOutOf(names, text);
}

/** Does what would have callers evaluated, without evaluating any. */
export async function withoutEvaluation<T>(work: () => Promise<T>): Promise<T> {
  const evaluated = globalThis.Function;
  globalThis.Function = callerFrom as unknown as FunctionConstructor;
  try {
    return await work();
  } finally {
    globalThis.Function = evaluated;
  }
}
