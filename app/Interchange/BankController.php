<?php

declare(strict_types=1);

namespace Elmstone\Interchange;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Refused;
use Elmstone\Customers\CustomerSearch;
use Elmstone\Receivables\HouseAccount;
use Elmstone\Shop\House;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;

/** Payments from the bank's file: taken in, looked at on one page, posted in one go. */
final class BankController
{
    public function index(): View
    {
        return view('interchange.bank', ['files' => BankFile::query()->with('staff')->withCount(['entries', 'entries as open_count' => static fn ($query) => $query->where('state', 'open')])->latest('id')->limit(20)->get()]);
    }

    public function takeIn(Request $request, ReadBankFile $read, #[CurrentUser] Staff $by): RedirectResponse
    {
        $file = $request->file('file');

        if (! $file instanceof UploadedFile) {
            throw Refused::because('no_file', 'Choose a file first.');
        }

        return redirect()->route('bank.file', $read->handle($file->getContent(), $file->getClientOriginalName(), $by)->id);
    }

    public function show(Request $request, BankFile $file, House $house): View
    {
        $entries = $file->entries()->with(['customer', 'document'])->orderByRaw("state = 'open' DESC")->simplePaginate(200);

        return view('interchange.bank-file', [
            'file' => $file, 'entries' => $entries, 'house' => $house,
            'counts' => BankEntry::query()->toBase()->where('bank_file_id', $file->id)->selectRaw("COUNT(*) AS n, SUM(amount) AS sum, SUM(state = 'posted') AS posted, SUM(state = 'open' AND customer_id IS NULL) AS unknown")->first(),
        ]);
    }

    /** Says whom a payment is from where that was not found, or found wrong. */
    public function assign(Request $request, BankFile $file, BankEntry $entry, CustomerSearch $search): RedirectResponse
    {
        $typed = $request->string('customer')->trim()->value();
        $customer = $typed === '' ? null : ($search->one($typed) ?? throw Refused::because('not_found', "“{$typed}” names no account, or more than one. Type its number."));

        if ($customer !== null && ! HouseAccount::query()->whereKey($customer->id)->exists()) {
            throw Refused::because('not_an_account', "{$customer->name} has no house account.");
        }

        BankEntry::query()->whereKey($entry->id)->where('bank_file_id', $file->id)->where('state', 'open')->update(['customer_id' => $customer?->id, 'shares' => null, 'why' => $customer === null ? '' : 'chosen by hand']);

        return redirect()->to(route('bank.file', $file->id)."#entry-{$entry->id}");
    }

    public function post(Request $request, BankFile $file, PostBankFile $post, AtTill $atTill, #[CurrentUser] Staff $by): RedirectResponse
    {
        $chosen = array_values(array_map(static fn (mixed $id): int => is_numeric($id) ? (int) $id : 0, (array) $request->input('entries', [])));
        $count = $post->handle($file, $chosen, CarbonImmutable::today(), $atTill->till(), $by);

        return redirect()->route('bank.file', $file->id)->with('done', $count === 1 ? 'One payment is posted.' : "{$count} payments are posted.");
    }
}
