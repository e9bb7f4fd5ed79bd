/**
 * Every change of a page goes through one door (lib/door.svelte.ts), or, where it is a mark that
 * must outlive the page, through a queue (ear/queue.svelte.ts). What is read comes through loaded().
 * Both know which answers still count once the page shows another student.
 */
const CHANGES = ['POST', 'PUT', 'DELETE', 'PATCH'];
const DOORS = ['change', 'once', '#change'];
/** They ask and change nothing, though what they ask does not fit into an address. */
const QUESTIONS = /\/look'?$|^\/api\/stand\/\{studentId\}\/\{pieceId\}\/simpler$|^\/api\/making$/;
/** How a queue sends what waits in it. */
const SENT = /ear.senders\.ts$/;

const isCallOf = (node, object, names) =>
  node.callee?.type === 'MemberExpression' &&
  (!object || node.callee.object.name === object) &&
  names.includes(
    node.callee.property.type === 'PrivateIdentifier'
      ? '#' + node.callee.property.name
      : node.callee.property.name
  );

function inside(node, fits) {
  for (let n = node.parent; n; n = n.parent) if (fits(n)) return true;
  return false;
}

const isDoor = (n) =>
  (n.type === 'CallExpression' && isCallOf(n, '', DOORS)) ||
  (n.type === 'NewExpression' && n.callee.name === 'Queue');

export default {
  rules: {
    'one-door': {
      meta: { type: 'problem', schema: [] },
      create: (context) => ({
        CallExpression(node) {
          if (isCallOf(node, 'api', CHANGES)) {
            const path = node.arguments[0]?.value ?? '';
            if (!QUESTIONS.test(path) && !inside(node, isDoor) && !SENT.test(context.filename))
              context.report({ node, message: 'A change goes through a door (lib/door.svelte).' });
          }
          if (node.callee.name === 'asked' && context.filename.endsWith('.svelte')) {
            const tried = inside(node, (n) => n.type === 'TryStatement');
            if (tried)
              context.report({
                node,
                message: 'A late answer may be another student’s: loaded().ask or door().change.'
              });
          }
        }
      })
    }
  }
};
