<?php

declare(strict_types=1);

namespace Elmstone\Ledger\Pages;

use Elmstone\Books\Account;
use Elmstone\Books\Chart;
use Elmstone\Books\Document;
use Elmstone\Ledger\PostEntry;
use Elmstone\Shop\House;
use Elmstone\Staff\Approvals\CheckApproval;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;

/** An entry by hand, by two people. */
final class EntryController
{
    public function create(House $house): View
    {
        return view('ledger.entry', [
            'rows' => EntryRequest::ROWS,
            'accounts' => Account::query()->orderBy('number')->get()
                ->reject(static fn (Account $account): bool => Chart::isKept($account->code)),
            'today' => ShopTime::today(),
            'house' => $house,
            'key' => old('key', (string) Str::uuid()),
        ]);
    }

    public function store(
        EntryRequest $request,
        PostEntry $post,
        CheckApproval $check,
        AtTill $atTill,
        House $house,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $document = $request->posting(fn (): int => $post->handle(
            $request->entries($house),
            $request->day(),
            $request->string('reason')->trim()->value(),
            $request->string('key')->value(),
            $atTill->till(),
            $by,
            $check->given($request),
        ));

        return redirect()->route('documents.show', Document::query()->findOrFail($document))
            ->with('done', 'Entered.');
    }

    public function takeBack(
        Request $request,
        Document $document,
        PostEntry $post,
        CheckApproval $check,
        AtTill $atTill,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $request->validate(['key' => ['required', 'uuid']]);
        $posted = $post->takeBack(
            $document,
            $request->string('reason')->trim()->value(),
            $request->string('key')->value(),
            $atTill->till(),
            $by,
            $check->given($request),
        );

        return redirect()->route('documents.show', Document::query()->findOrFail($posted))
            ->with('done', "{$document->label} is taken back.");
    }
}
