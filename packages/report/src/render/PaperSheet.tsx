import { MarkDrawing } from '../drawings/MarkDrawing';
import { RunsDrawing } from '../drawings/RunsDrawing';
import type { Block, Cell, ListItem, Paper } from '../paper';

/** A paper as elements of a page: shown on the screen, printed, and written as an HTML file. */
export const PaperSheet = ({ paper }: { readonly paper: Paper }) => (
  <article className="paper" aria-label={paper.title}>
    <Blocks blocks={paper.blocks} />
    <footer>{paper.foot}</footer>
  </article>
);

// Blocks never move: their place is their key.
const Blocks = ({ blocks }: { readonly blocks: readonly Block[] }) =>
  blocks.map((block, i) => <One key={i} block={block} />);

function One({ block }: { readonly block: Block }) {
  switch (block.kind) {
    case 'letterhead':
      return (
        <header>
          <div>
            <b>{block.shop}</b>
            <p>{block.address}</p>
          </div>
          <div>
            {block.right.map((line) => (
              <p key={line}>{line}</p>
            ))}
          </div>
        </header>
      );
    case 'title':
      return <h1>{block.text}</h1>;
    case 'heading':
      return <h2>{block.text}</h2>;
    case 'text':
      return (
        <p>
          {block.strong !== undefined && <b>{block.strong} </b>}
          {block.text}
          {block.said !== undefined && <i> “{block.said}”</i>}
        </p>
      );
    case 'list':
      return (
        <ul>
          {block.items.map((item) => (
            <Item key={item.text} item={item} />
          ))}
        </ul>
      );
    case 'pairs':
      return (
        <dl>
          {block.rows.map(([name, value]) => (
            <div key={name}>
              <dt>{name}</dt>
              <dd>{value}</dd>
            </div>
          ))}
        </dl>
      );
    case 'table':
      return (
        <div className="wide">
          <table>
            <thead>
              <tr>
                {block.head.map((name) => (
                  <th key={name} scope="col">
                    {name}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {block.rows.map((row, i) => (
                <tr key={i}>
                  {row.map((cell, k) => (
                    <td key={k}>
                      <Content cell={cell} />
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      );
    case 'runs':
      return (
        <div className="wide">
          <RunsDrawing runs={block.runs} />
        </div>
      );
    case 'columns':
      return (
        <div className="columns">
          <div>
            <Blocks blocks={block.left} />
          </div>
          <div>
            <Blocks blocks={block.right} />
          </div>
        </div>
      );
    case 'photos':
      return (
        <div className="photos">
          {block.photos.map(({ picture, words }, i) => (
            <figure key={i}>
              {picture === undefined ? <p>The picture is not at hand.</p> : <img src={picture} alt={words} />}
              <figcaption>{words}</figcaption>
            </figure>
          ))}
        </div>
      );
    case 'signed':
      return (
        <div className="signed">
          <p>{block.left}</p>
          <p>{block.right}</p>
        </div>
      );
  }
}

const Item = ({ item: { text, strong, box } }: { readonly item: ListItem }) => (
  <li className={box ? 'box' : undefined}>
    {text}
    {strong !== undefined && <b> {strong}</b>}
  </li>
);

function Content({ cell }: { readonly cell: Cell }) {
  if (typeof cell === 'string') return cell;
  if ('strong' in cell) return <b>{cell.strong}</b>;
  if ('struck' in cell) return <s>{cell.struck}</s>;
  return cell.mark ? <MarkDrawing mark={cell.mark} /> : null;
}
