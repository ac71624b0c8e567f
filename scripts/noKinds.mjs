// A rule for ESLint: what hangs on a kind of detector, driver or load stands in its folder or in a registry with an entry for each.

/** Kinds of detectors, drivers and loads, as their registries have them. */
export const kinds = [
  ['transistor', 'comparator', 'window', 'ladder', 'timer', 'controller', 'change'],
  ['npn', 'pnp', 'darlington', 'nmos', 'pmos'],
  ['led', 'strip', 'lamp', 'buzzer', 'tone', 'relay', 'module', 'motor', 'fan', 'solenoid', 'logic'],
];
const message = 'Ask the registry: what hangs on a kind belongs into its definition (docs/how-it-works.md).';

/** What is nearly all of one of these is one of these: a list may have a way of its own more, or leave one out. */
const MOSTLY = 0.7;

const textsOf = (type) =>
  (type.isUnion() ? type.types : [type]).filter((each) => each.isStringLiteral()).map(({ value }) => value);

/** The kinds that a type is of, if it is of any. */
function kindsOf(type) {
  const texts = textsOf(type);
  return kinds.find((row) => {
    const among = texts.filter((text) => row.includes(text)).length;
    return among > 1 && among >= MOSTLY * texts.length;
  });
}

export const noKinds = {
  meta: {
    type: 'problem',
    schema: [],
    messages: { asked: message },
  },
  create(context) {
    const services = context.sourceCode.parserServices;
    if (!services?.program) return {};
    const isKind = (node) => kindsOf(services.getTypeAtLocation(node)) !== undefined;
    return {
      BinaryExpression(node) {
        if (!/^[!=]==$/.test(node.operator)) return;
        const { left, right } = node;
        const asks = (one, other) => other.type === 'Literal' && isKind(one);
        if (asks(left, right) || asks(right, left)) context.report({ node, messageId: 'asked' });
      },
      SwitchStatement(node) {
        if (isKind(node.discriminant)) context.report({ node, messageId: 'asked' });
      },
    };
  },
};
