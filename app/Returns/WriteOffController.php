<?php

declare(strict_types=1);

namespace Elmstone\Returns;

use Elmstone\Books\Document;
use Elmstone\Books\Purpose;
use Elmstone\Catalogue\ItemSearch;
use Elmstone\Catalogue\Serials;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Shop\House;
use Elmstone\Staff\Approvals\CheckApproval;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

/** The sheet on which broken, spoiled and stolen goods are written off. */
final class WriteOffController
{
    public const ROWS = 8;

    public function __construct(private readonly ItemSearch $items, private readonly WriteOffReasons $reasons)
    {
    }

    public function show(House $house, AtTill $atTill): View
    {
        $done = Document::query()
            ->with(['lines', 'staff', 'journal'])
            ->where('purpose', Purpose::WriteOff)
            ->latest('id')
            ->limit(12)
            ->get();

        return view('returns.write-off', [
            'done' => $done,
            'takenBack' => Document::query()
                ->whereIn('refers_to_id', $done->modelKeys())
                ->where('purpose', Purpose::WriteOffReversed)
                ->pluck('label', 'refers_to_id'),
            'rows' => self::ROWS,
            'reasons' => $this->reasons,
            'house' => $house,
            'location' => $atTill->till()->location,
            'key' => old('key', (string) Str::uuid()),
        ]);
    }

    public function store(
        Request $request,
        WriteOff $writeOff,
        AtTill $atTill,
        CheckApproval $check,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $request->validate(['key' => ['required', 'uuid']]);
        $document = $writeOff->handle(
            $this->lines($request),
            $request->string('note')->trim()->value(),
            $request->string('key')->value(),
            $atTill->till(),
            $by,
            $check->given($request),
        );

        return redirect()
            ->route('write-offs')
            ->with('done', 'Written off as '.Document::query()->findOrFail($document)->label.'.');
    }

    /** A write-off that was wrong: the goods are there after all. */
    public function takeBack(
        Request $request,
        Document $document,
        TakeBackWriteOff $takeBack,
        AtTill $atTill,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $posted = $takeBack->handle($document, $request->string('reason')->trim()->value(), $atTill->till(), $by);

        return redirect()
            ->route('write-offs')
            ->with(
                'done',
                "{$document->label} is taken back as "
                    .Document::query()->findOrFail($posted)->label
                    .'. The goods are in stock again.',
            );
    }

    /** @return list<WriteOffLine> */
    private function lines(Request $request): array
    {
        $lines = [];

        foreach (range(0, self::ROWS - 1) as $row) {
            $code = $request
                ->string("rows.{$row}.code")
                ->trim()
                ->value();
            $quantity = $request
                ->string("rows.{$row}.quantity")
                ->trim()
                ->value();

            if ($code === '' && $quantity === '') {
                continue;
            }

            try {
                $lines[] = new WriteOffLine(
                    $this->items->exact($code)
                        ?? throw Refused::because('not_found', "No item has the code or barcode “{$code}”."),
                    Quantity::of(TypedNumber::plain($quantity)),
                    $this->reason($request->string("rows.{$row}.reason")->value()),
                    $request
                        ->string("rows.{$row}.note")
                        ->trim()
                        ->value(),
                    Serials::read($request->string("rows.{$row}.serials")->value()),
                );
            } catch (Refused $refused) {
                throw ValidationException::withMessages(["rows.{$row}" => $refused->getMessage()]);
            }
        }

        return $lines;
    }

    /** @throws Refused no_reason */
    private function reason(string $chosen): WriteOffReason
    {
        $reason = WriteOffReason::tryFrom($chosen);

        return $reason !== null && in_array($reason, $this->reasons->offered(), true)
            ? $reason
            : throw Refused::because('no_reason', 'Choose why it is written off.');
    }
}
