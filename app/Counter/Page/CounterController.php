<?php

declare(strict_types=1);

namespace Elmstone\Counter\Page;

use Elmstone\Books\Document;
use Elmstone\Catalogue\ItemSearch;
use Elmstone\Catalogue\PriceBooks;
use Elmstone\Core\Credits\CardCode;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Parts\GiftCardsOnSlip;
use Elmstone\Counter\Parts\PayLayaway;
use Elmstone\Counter\Parts\PayPlan;
use Elmstone\Counter\Parts\ShowCoupon;
use Elmstone\Counter\Post\PostSale;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\AddedLine;
use Elmstone\Counter\Slip\AddOneOff;
use Elmstone\Counter\Slip\AddToSlip;
use Elmstone\Counter\Slip\ClearSlip;
use Elmstone\Counter\Slip\DateSlip;
use Elmstone\Counter\Slip\DiscountSlip;
use Elmstone\Counter\Slip\EntryText;
use Elmstone\Counter\Slip\PutCustomer;
use Elmstone\Counter\Slip\RestoreSlip;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipState;
use Elmstone\Counter\Slip\TakeSlip;
use Elmstone\Customers\Customer;
use Elmstone\Customers\CustomerSearch;
use Elmstone\GiftCards\GiftCard;
use Elmstone\GiftCards\GiftCards;
use Elmstone\Layaways\FindLayaways;
use Elmstone\Receivables\Accounts\AccountFound;
use Elmstone\Receivables\Accounts\FindAccounts;
use Elmstone\Shop\House;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;

/** The counter page, its entry line, and the slip as a whole. */
final class CounterController
{
    public function __construct(private readonly CounterPage $page)
    {
    }

    /**
     * Where this person left off, as long as it waits at this till; or a fresh slip. Others that wait are in the tabs.
     */
    public function index(AtTill $atTill, #[CurrentUser] Staff $staff): RedirectResponse
    {
        $last = $staff->last_slip !== null
                ? Slip::query()
                    ->where('key', $staff->last_slip)
                    ->where('till_id', $atTill->till()->id)
                    ->where('state', SlipState::Open)
                    ->value('key')
                : null;

        return redirect()->route('counter.show', $last ?? (string) Str::uuid());
    }

    public function fresh(): RedirectResponse
    {
        return redirect()->route('counter.show', (string) Str::uuid());
    }

    /** A fresh slip with this customer on it. */
    public function sellTo(Request $request, Customer $customer, PutCustomer $put): RedirectResponse
    {
        $slip = (string) Str::uuid();
        $put->handle($slip, $this->page->act($request), $customer);

        return redirect()->route('counter.show', $slip);
    }

    public function show(Request $request, string $slip): View|RedirectResponse
    {
        $data = $this->page->whole($slip, $this->page->act($request));

        return $data['slip'] instanceof Slip && $data['slip']->state === SlipState::Cleared
            ? redirect()->route('counter')
            : view('counter.show', $data);
    }

    /** What the entry line offers while it is typed into. */
    public function find(
        Request $request,
        string $slip,
        ItemSearch $search,
        FindAccounts $customers,
        FindLayaways $layaways,
        AtTill $atTill,
        House $house,
    ): View {
        $typed = $request->string('q')->trim()->value();
        $refused = null;

        try {
            $entry = EntryText::read($typed);
        } catch (Refused $refused) {
            $entry = EntryText::read('');
        }

        $onSlip = Slip::query()->with('customer.type.priceLevel')->where('key', $slip)->first();
        $day = $onSlip?->day() ?? ShopTime::today();
        $terms = $onSlip?->priceTerms();
        $items = mb_strlen($entry->text) < 2 ? new Collection : $search->find($entry->text, 7);
        $terms?->preload($items->modelKeys());

        $found = $this->customers($entry->text, $customers);

        return view('counter.found', [
            'typed' => $typed,
            'today' => ShopTime::today(),
            'layaways' => mb_strlen($entry->text) < 2
                    ? []
                    : $layaways->find(
                        $entry->text,
                        array_map(static fn (AccountFound $one): int => $one->customer->id, $found),
                        6,
                    ),
            'entry' => $entry,
            'refused' => $refused,
            'quotes' => $items->map(
                static fn ($item): array => [$item, PriceBooks::of($item, $terms)->quote($entry->quantity, $day)],
            ),
            'customers' => $found,
            'documents' => $this->documents($entry->text),
            'card' => CardCode::looksLikeOne($typed) ? $this->card($typed) : null,
            'coupon' => ShowCoupon::named($typed),
            'plan' => PayPlan::named($typed),
            'here' => $atTill->till()->location,
            'house' => $house,
        ]);
    }

    /**
     * A layaway's number puts a payment on it on the slip, a gift card's pays with it, a coupon's takes its reduction
     * off. What is no item but names one customer beyond doubt puts that customer on the slip: people type on without
     * looking at the list.
     */
    public function add(
        Request $request,
        string $slip,
        AddToSlip $add,
        CustomerSearch $customers,
        PutCustomer $put,
        FindLayaways $layaways,
        PayLayaway $pay,
        GiftCardsOnSlip $cards,
        ShowCoupon $coupons,
        PayPlan $plans,
    ): Response {
        $item = $request->filled('item') ? $request->integer('item') : null;
        $typed = $request->string('entry')->value();

        return $this->page->after($request, $slip, 'entry', 'entry', static function (Act $act) use (
            $slip, $add, $item, $typed, $customers, $put, $layaways, $pay, $cards, $coupons, $plans,
        ): AddedLine|Slip {
            if ($item === null && CardCode::looksLikeOne($typed)) {
                return $cards->use($slip, $act, $typed);
            }

            $layaway = $item === null ? $layaways->named($typed) : null;

            if ($layaway !== null) {
                return $pay->add($slip, $act, $layaway);
            }

            $plan = $item === null ? PayPlan::named($typed) : null;

            if ($plan !== null) {
                return $plans->handle($slip, $act, $plan);
            }

            try {
                return $add->handle($slip, $act, $typed, $item);
            } catch (Refused $refused) {
                if ($refused->rule === 'not_found' && ShowCoupon::named($typed) !== null) {
                    return $coupons->handle($slip, $act, $typed);
                }

                $customer = $refused->rule === 'not_found' ? $customers->one($typed) : null;

                return $customer === null ? throw $refused : $put->handle($slip, $act, $customer);
            }
        });
    }

    public function oneOff(OneOffRequest $request, string $slip, AddOneOff $add, House $house): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'one-off',
            'price',
            static fn (Act $act) => $add->handle(
                $slip,
                $act,
                $request->description(),
                EntryText::quantity($request->string('quantity')->value()),
                $house->typedPrice($request->string('price')->value()),
                $request->integer('department_id'),
                $request->string('tax_class')->value(),
            ),
        );
    }

    public function clear(Request $request, string $slip, ClearSlip $clear): Response
    {
        $answer = $this->page->after(
            $request,
            $slip,
            'slip',
            'slip',
            static fn (Act $act) => $clear->handle($slip, $act),
        );

        return $answer->isOk() ? $answer->header('X-Location', route('counter')) : $answer;
    }

    public function discount(Request $request, string $slip, DiscountSlip $discount): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'discount',
            'discount',
            static fn (Act $act) => $discount->handle($slip, $act, $request->string('discount')->value()),
        );
    }

    public function date(Request $request, string $slip, DateSlip $date): Response
    {
        return $this->page->after($request, $slip, 'date', 'date', static function (Act $act) use (
            $request,
            $slip,
            $date,
        ): Slip {
            $typed = $request->string('date')->value();
            $day = Carbon::canBeCreatedFromFormat($typed, 'Y-m-d')
                ? Carbon::createFromFormat('!Y-m-d', $typed)?->toImmutable()
                : null;

            return $typed !== '' && $day === null
                ? throw Refused::because('bad_date', "“{$typed}” is not a date.")
                : $date->handle($slip, $act, $day);
        });
    }

    public function pickUp(Request $request, string $slip, TakeSlip $take): RedirectResponse
    {
        $take->handle($slip, $this->page->act($request));

        return redirect()->route('counter.show', $slip);
    }

    public function restore(Request $request, string $slip, RestoreSlip $restore): RedirectResponse
    {
        $restore->handle($slip, $this->page->act($request));

        return redirect()->route('counter.show', $slip);
    }

    public function margin(Request $request, string $slip): View
    {
        return view('counter.margin', $this->page->whole($slip, $this->page->act($request)));
    }

    public function post(Request $request, string $slip, PostSale $post): Response
    {
        return $this->page->after($request, $slip, 'post', 'post', static function (Act $act) use ($slip, $post): null {
            $post->handle($slip, $act);

            return null;
        });
    }

    /** @return list<AccountFound> */
    private function customers(string $text, FindAccounts $search): array
    {
        return mb_strlen($text) < 2 || str_contains($text, '×') ? [] : $search->find($text, 4);
    }

    /** A gift card whose number was typed; in words why not, where there is none. */
    private function card(string $typed): GiftCard|string
    {
        try {
            return GiftCards::named($typed);
        } catch (Refused $refused) {
            return $refused->getMessage();
        }
    }

    /** @return iterable<Document> documents whose number was typed */
    private function documents(string $text): iterable
    {
        if (preg_match('/^(?:[A-Za-z]{2,3}-?)?0*(\d{1,9})$/', $text, $parts) !== 1) {
            return [];
        }

        return Document::query()
            ->where('number', (int) $parts[1])
            ->when(
                preg_match('/^([A-Za-z]{2,3})/', $text, $prefix) === 1,
                static fn ($query) => $query->where('label', 'like', strtoupper($prefix[1] ?? '').'%'),
            )
            ->limit(3)
            ->get();
    }
}
