import { useRef, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { v7 as uuidv7 } from 'uuid';
import type { FieldError, Product } from '../../contract/index.ts';
import { stillTypical } from '../../core/system/index.ts';
import { t } from '../../words.ts';
import { api } from '../api/client.ts';
import { useProducts } from '../api/queries.ts';
import { FormReader, refusals } from '../forms/canonical.ts';
import { RecordForm } from '../forms/RecordForm.tsx';
import { saveFile } from '../parts/drawing/exportDrawing.ts';
import { OpenFile } from '../parts/OpenFile.tsx';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { useMounted } from '../state/useMounted.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { ConfirmTypical } from './ConfirmTypical.tsx';
import { LearnedPace } from './LearnedPace.tsx';
import { SheetFields } from './SheetFields.tsx';
import { SheetInsight } from './SheetInsight.tsx';
import { sheetAsJson, sheetFromJson } from './sheetFile.ts';
import { sheetToValues } from './sheetToValues.ts';
import { emptySheet, type SheetValues } from './sheetValues.ts';
import { sheetFormPath, valuesToSheet } from './valuesToSheet.ts';

/** One product's data sheet, entered from the paper that came with the tin. */
export function SheetPage() {
  const { productId = 'new' } = useParams();
  const products = useProducts();
  return (
    <QueryBoundary query={products}>
      {(list) => {
        const product = list.find((p) => p.id === productId);
        if (productId !== 'new' && !product) {
          return (
            <p className="p-6">
              {t`Data sheet not found. `}
              <Link className="link" to="/materials/sheets">{t`All sheets`}</Link>
            </p>
          );
        }
        return <Sheet key={productId} product={product ?? null} others={list} />;
      }}
    </QueryBoundary>
  );
}

function Sheet({ product, others }: { product: Product | null; others: readonly Product[] }) {
  const { system } = useUnits();
  const navigate = useNavigate();
  const mounted = useMounted();
  const id = useRef(product?.id ?? uuidv7());
  const [copied, setCopied] = useState<Product | null>(null);
  const [problem, setProblem] = useState<string | null>(null);

  const start = product ?? copied;

  const close = () => {
    if (mounted()) void navigate('/materials/sheets', { state: { savedId: id.current } });
  };
  const submit = async (
    values: SheetValues,
    over: { version?: number },
  ): Promise<FieldError[] | undefined> => {
    const read = new FormReader(system);
    const typed = valuesToSheet(values, id.current, read);
    // A value that was typed again counts as read off the tin; the others stay typical.
    const typical = start?.sheet.typical ? stillTypical(start.sheet, typed.sheet) : [];
    const input = typical.length > 0 ? { ...typed, sheet: { ...typed.sheet, typical } } : typed;
    const errors = await refusals((c) => c.productInput, input, read, sheetFormPath);
    if (errors.length) return errors;
    if (product)
      await api<Product>('PUT', `/products/${id.current}`, {
        ...input,
        version: over.version ?? product.version,
      });
    else {
      await api<Product>('POST', '/products', input);
      close();
    }
    return undefined;
  };
  const openFile = async (file: File) => {
    try {
      const read = await sheetFromJson(await file.text());
      setCopied({ ...read, id: `file ${Date.now()}`, version: 0, archived: false });
      setProblem(null);
    } catch (error) {
      setProblem(t`Couldn’t open ${file.name}. ${(error as Error).message}`);
    }
  };
  return (
    <div className="max-w-5xl space-y-4 p-3 md:p-6">
      <p>
        <Link className="link" to="/materials/sheets">{t`Materials`}</Link> / {product?.name ?? t`new sheet`}
      </p>
      <h1 className="text-2xl">{product ? product.name : t`New data sheet`}</h1>
      {product && (
        <p className="opacity-80">{t`Version ${product.version}. Saving creates a new version. Coats already applied keep the version they were applied with.`}</p>
      )}
      <div className="flex flex-wrap gap-2">
        {product && (
          <button
            type="button"
            className="btn btn-sm"
            onClick={() =>
              saveFile(`${product.name}.json`, new Blob([sheetAsJson(product)], { type: 'application/json' }))
            }
          >{t`Export (JSON)`}</button>
        )}
        {!product && (
          <OpenFile
            small
            label={t`Import (JSON)`}
            accept=".json,application/json"
            onFile={(file) => void openFile(file)}
          />
        )}
      </div>
      {problem && (
        <p role="alert" className="text-error font-semibold">
          {problem}
        </p>
      )}
      {!product && others.length > 0 && (
        <label className="block max-w-sm">
          <span className="label-caps block pb-1">{t`Copy from`}</span>
          <select
            className="select w-full"
            value={copied?.id ?? ''}
            onChange={(event) => setCopied(others.find((p) => p.id === event.target.value) ?? null)}
          >
            <option value="">{t`None (blank data sheet)`}</option>
            {others.map((each) => (
              <option key={each.id} value={each.id}>
                {each.name}
              </option>
            ))}
          </select>
        </label>
      )}
      {product && <ConfirmTypical product={product} />}
      {product && <LearnedPace productId={product.id} />}
      <RecordForm<SheetValues>
        key={copied?.id ?? ''}
        {...(product && { onSaved: close })}
        values={
          start
            ? {
                ...sheetToValues(start, system),
                // A copy of another product wants a name of its own; a file brings it.
                ...(copied && !product && copied.version > 0 ? { name: '' } : {}),
              }
            : emptySheet(system)
        }
        submit={submit}
        base={product}
        fieldWords={{ sheet: t`the sheet`, name: t`the name` }}
        button={product ? t`Save as new version` : t`Save data sheet`}
        beside={<Link className="btn btn-ghost" to="/materials/sheets">{t`Cancel`}</Link>}
        className="space-y-6"
      >
        <SheetFields />
        <SheetInsight />
      </RecordForm>
    </div>
  );
}
