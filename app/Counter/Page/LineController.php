<?php

declare(strict_types=1);

namespace Elmstone\Counter\Page;

use Elmstone\Counter\Lines\ChangeLine;
use Elmstone\Counter\Lines\LineEdit;
use Elmstone\Counter\Lines\RemoveLine;
use Elmstone\Counter\Slip\Act;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** Lines, edited in place. */
final class LineController
{
    public function __construct(private readonly CounterPage $page)
    {
    }

    public function change(Request $request, string $slip, int $line, ChangeLine $change): Response
    {
        $field = collect(['quantity', 'price', 'discount', 'note', 'serials', 'seller'])->first(
            static fn (string $name): bool => $request->has($name),
        ) ?? 'note';
        $edit = new LineEdit(...[$field => $request->string($field)->value()]);

        return $this->page->after(
            $request,
            $slip,
            "line.{$line}.{$field}",
            $field,
            static fn (Act $act) => $change->handle($slip, $line, $act, $edit),
        );
    }

    public function remove(Request $request, string $slip, int $line, RemoveLine $remove): Response
    {
        return $this->page->after(
            $request,
            $slip,
            "line.{$line}",
            'line',
            static fn (Act $act) => $remove->handle($slip, $line, $act),
        );
    }
}
