<?php

declare(strict_types=1);

namespace Elmstone\Customers;

use Elmstone\Books\Document;
use Elmstone\Core\Money\Refused;
use Elmstone\Shop\House;
use Elmstone\Shop\TaxComponentRecord;
use Elmstone\Staff\Ability;
use Elmstone\Staff\Staff;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Http\Secret;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;

/** Customers: finding them, their page, and what is known of them. */
final class CustomerController
{
    public function __construct(private readonly SaveCustomer $save, private readonly House $house)
    {
    }

    public function index(Request $request, CustomerSearch $search): View
    {
        $typed = $request->string('find')->trim()->value();
        $tag = $request->string('tag')->trim()->value();

        return view('customers.index', [
            'customers' => $typed !== ''
                    ? $search->find($typed, 100)->load('contacts')
                    : Customer::query()
                        ->with(['type', 'contacts'])
                        ->whereNull('merged_into_id')
                        ->when(
                            $tag !== '',
                            static fn ($query) => $query->whereIn(
                                'id',
                                DB::table('customer_tags')->where('tag', $tag)->select('customer_id'),
                            ),
                        )
                        ->orderBy('name')
                        ->simplePaginate(50)
                        ->withQueryString(),
            'find' => $typed,
            'tag' => $tag,
            'tags' => DB::table('customer_tags')->distinct()->orderBy('tag')->limit(40)->pluck('tag'),
        ]);
    }

    public function create(Request $request): View
    {
        return view('customers.edit', [
            ...$this->choices(),
            'customer' => new Customer([
                'name' => $request->string('name')->value(),
                'kind' => CustomerKind::Person,
                'country' => 'US',
            ]),
            'tags' => [],
        ]);
    }

    public function store(CustomerRequest $request, #[CurrentUser] Staff $by): RedirectResponse
    {
        try {
            $customer = $this->save->handle(null, $request->draft(), $by);
        } catch (PossibleDuplicate $refused) {
            return back()
                ->withInput($request->except(Secret::FIELDS))
                ->withErrors(['duplicate' => $refused->getMessage()])
                ->with(
                    'duplicates',
                    $refused->found->map(static fn (Customer $found): array => [$found->number, $found->name])->all(),
                );
        }

        $this->keepScan($request, $customer);

        return redirect()
            ->route('customers.show', $customer)
            ->with('done', "{$customer->name} is customer {$customer->number}.");
    }

    public function show(Customer $customer): View
    {
        $customer->load([
            'type.priceLevel', 'contacts', 'addresses', 'notes.staff', 'contractPrices.item', 'mergedInto',
        ]);

        $theirs = array_values([
            $customer->id,
            ...Customer::query()->where('merged_into_id', $customer->id)->pluck('id'),
        ]);

        return view('customers.show', [
            'customer' => $customer,
            'mails' => MailHistory::of($theirs),
            'tags' => $customer->tags(),
            'house' => $this->house,
            'components' => self::components(),
            'documents' => Document::query()
                ->with('tenders')
                ->whereIn('customer_id', $theirs)
                ->latest('business_date')
                ->latest('id')
                ->limit(25)
                ->get(),
            'bought' => self::bought($customer),
            'changes' => CustomerChanges::of($customer->id, 12),
            'scans' => DB::table('certificate_scans')
                ->where('customer_id', $customer->id)
                ->orderByDesc('id')
                ->get(['id', 'name', 'stored_at']),
            'held' => MoneyCast::read(DB::table('held_accounts')
                ->where('customer_id', $customer->id)
                ->where('kind', 'deposit')
                ->value('balance')),
            'layaways' => DB::table('agreements as l')
                ->join('held_accounts as a', 'a.id', '=', 'l.account_id')
                ->where('l.customer_id', $customer->id)
                ->whereIn('l.state', ['running', 'ready'])
                ->orderBy('l.id')
                ->get(['l.label', 'l.state', 'l.next_due', 'l.total', 'a.balance as held']),
            'hasAccount' => DB::table('house_accounts')->where('customer_id', $customer->id)->exists(),
        ]);
    }

    public function edit(Customer $customer): View
    {
        return view('customers.edit', [
            ...$this->choices(),
            'customer' => $customer->load(['contacts', 'addresses', 'contractPrices.item']),
            'tags' => $customer->tags(),
        ]);
    }

    public function update(CustomerRequest $request, Customer $customer, #[CurrentUser] Staff $by): RedirectResponse
    {
        $this->save->handle(
            $customer,
            $request->draft(),
            $by,
            $request->filled('version') ? $request->integer('version') : null,
        );
        $this->keepScan($request, $customer);

        return redirect()->route('customers.show', $customer)->with('done', 'Saved.');
    }

    public function note(Request $request, Customer $customer, #[CurrentUser] Staff $by): RedirectResponse
    {
        $text = mb_substr($request->string('text')->trim()->value(), 0, 500);

        if ($text === '') {
            throw Refused::because('no_text', 'Write the note first.');
        }

        $customer
            ->notes()
            ->create(['staff_id' => $by->id, 'text' => $text, 'at_counter' => $request->boolean('at_counter')]);

        return back()->with('done', 'The note is kept.');
    }

    /** A warning at the counter is not taken away by whom it warns. */
    public function noteGone(Customer $customer, int $note): RedirectResponse
    {
        $kept = $customer->notes()->findOrFail($note);
        $kept->at_counter && Gate::authorize(Ability::TakeWarningsAway->value);
        $kept->update(['gone_at' => now()]);

        return back()->with('done', 'The note is put away.');
    }

    /** @param  int|null  $version null: the latest */
    public function scan(Customer $customer, ?int $version = null): Response
    {
        $scan = DB::table('certificate_scans')
            ->where('customer_id', $customer->id)
            ->when($version !== null, static fn ($query) => $query->where('id', $version))
            ->latest('id')
            ->first() ?? abort(404);

        return response((string) $scan->bytes, 200, [
            'Content-Type' => (string) $scan->mime,
            'Content-Disposition' => 'inline; filename="certificate-'.$customer->number.'"',
        ]);
    }

    private function keepScan(Request $request, Customer $customer): void
    {
        $file = $request->file('scan');

        if ($file instanceof UploadedFile) {
            DB::table('certificate_scans')->insert([
                'customer_id' => $customer->id,
                'name' => mb_substr($file->getClientOriginalName(), 0, 120),
                'mime' => (string) $file->getMimeType(),
                'bytes' => $file->getContent(),
                'stored_at' => now(),
            ]);
        }
    }

    /** @return array<string, mixed> */
    private function choices(): array
    {
        return [
            'house' => $this->house,
            'types' => CustomerType::query()->with('priceLevel')->orderBy('name')->get(),
            'components' => self::components(),
        ];
    }

    /** @return array<string, string> names by code, each once */
    private static function components(): array
    {
        return TaxComponentRecord::query()->orderBy('position')->pluck('name', 'code')->all();
    }

    /** @return list<object> what they buy most often */
    private static function bought(Customer $customer): array
    {
        return array_values(
            DB::table('document_lines as l')
                ->join('documents as d', 'd.id', '=', 'l.document_id')
                ->where('d.customer_id', $customer->id)
                ->whereNotNull('l.item_id')
                ->where('l.direction', 'out')
                ->groupBy('l.code')
                ->orderByRaw('COUNT(*) DESC, MAX(d.business_date) DESC')
                ->limit(8)
                ->selectRaw(
                    'l.code, MAX(l.description) AS description, COUNT(*) AS times, SUM(l.quantity) AS quantity, '
                        .'MAX(d.business_date) AS latest',
                )
                ->get()
                ->all(),
        );
    }
}
