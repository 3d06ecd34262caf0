// A lint rule: no Result, and no promise of one, may be dropped. A dropped result is a failure that nobody is told of:
// on a full disk the screen would say "Saved" and the words would be gone.
import { ESLintUtils } from '@typescript-eslint/utils';

/** True for the type of a result: every part of it has `ok`, and one of them an `error`. */
function isResult(type) {
  const parts = type.isUnion() ? type.types : [type];
  const has = (part, name) => part.getProperties().some((p) => p.name === name);
  return parts.length > 0 && parts.every((p) => has(p, 'ok')) && parts.some((p) => has(p, 'error'));
}

/** What a promise resolves to; the type itself where it is none. */
function settled(checker, type) {
  return checker.getAwaitedType(type) ?? type;
}

const rule = {
  meta: {
    type: 'problem',
    docs: { description: 'no Result may be dropped' },
    messages: {
      dropped: 'This result is dropped: a failure would go unseen. Use it, or hand it to useWrite.',
      unread: 'This callback ignores the result it is given: a failure would go unseen.',
      swallowed: 'A result is returned where nothing is expected, and so dropped. Hand it to useWrite.',
    },
    schema: [],
  },
  create(context) {
    const services = ESLintUtils.getParserServices(context);
    const checker = services.program.getTypeChecker();
    const typeOf = (node) => services.getTypeAtLocation(node);
    const givesResult = (node) => isResult(settled(checker, typeOf(node)));
    const report = (node, messageId) => context.report({ node, messageId });

    const statement = (expression) => {
      const node =
        expression.type === 'UnaryExpression' && expression.operator === 'void' ? expression.argument : expression;
      const inner = node.type === 'AwaitExpression' ? node.argument : node;
      if (
        ['CallExpression', 'NewExpression', 'Identifier', 'MemberExpression'].includes(inner.type) &&
        givesResult(inner)
      ) {
        report(node, 'dropped');
      }
    };
    return {
      ExpressionStatement: (node) => statement(node.expression),
      UnaryExpression(node) {
        if (node.operator === 'void' && node.parent.type !== 'ExpressionStatement') statement(node);
      },
      // write(...).then(() => ...) on a promise of a result: the callback must look at it.
      CallExpression(node) {
        const { callee } = node;
        if (callee.type !== 'MemberExpression' || callee.property.name !== 'then') return;
        const [callback] = node.arguments;
        const isFunction = callback && /FunctionExpression$/.test(callback.type);
        if (isFunction && callback.params.length === 0 && givesResult(callee.object)) report(callback, 'unread');
      },
      // () => save() where a caller expects nothing back.
      ArrowFunctionExpression(node) {
        if (node.body.type !== 'CallExpression' || !givesResult(node.body)) return;
        const contextual = checker.getContextualType(services.esTreeNodeToTSNodeMap.get(node));
        const signatures = contextual ? checker.getSignaturesOfType(contextual, 0) : [];
        const wanted = signatures.map((s) => checker.typeToString(checker.getReturnTypeOfSignature(s)));
        if (wanted.length > 0 && wanted.every((w) => /^(void|Promise<void>|Promise<unknown>|unknown)$/.test(w)))
          report(node, 'swallowed');
      },
    };
  },
};

export default rule;
