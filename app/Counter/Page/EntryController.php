<?php

declare(strict_types=1);

namespace Elmstone\Counter\Page;

use Elmstone\Books\Document;
use Elmstone\Books\FindDocuments;
use Elmstone\Catalogue\Families\FindFamilies;
use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\ItemSearch;
use Elmstone\Catalogue\PriceBooks;
use Elmstone\Core\Credits\CardCode;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Lines\AddedLine;
use Elmstone\Counter\Lines\AddOneOff;
use Elmstone\Counter\Lines\AddToSlip;
use Elmstone\Counter\Lines\EntryText;
use Elmstone\Counter\Lines\UnknownScans;
use Elmstone\Counter\Parts\GiftCardsOnSlip;
use Elmstone\Counter\Parts\PayLayaway;
use Elmstone\Counter\Parts\PayPlan;
use Elmstone\Counter\Parts\ShowCoupon;
use Elmstone\Counter\Parts\SupplyFromSlip;
use Elmstone\Counter\Parts\TakeUpQuote;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Held\Cards\GiftCard;
use Elmstone\Held\Cards\GiftCards;
use Elmstone\Layaways\FindLayaways;
use Elmstone\Orders\FindOrders;
use Elmstone\Purchasing\OnOrder;
use Elmstone\Quotes\FindQuotes;
use Elmstone\Quotes\Quote;
use Elmstone\Receivables\Accounts\AccountFound;
use Elmstone\Receivables\Accounts\FindAccounts;
use Elmstone\Shop\House;
use Elmstone\Staff\AtTill;
use Elmstone\Support\ShopTime;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The entry line: what it finds, and what it adds. */
final class EntryController
{
    /** Items in the list at first, and where more are asked for. */
    private const SHOWN = 7;

    private const MORE = 60;

    private const FAMILIES = 3;

    /** Documents in the list; the register shows all. */
    private const DOCUMENTS = 3;

    public function __construct(private readonly CounterPage $page, private readonly FindDocuments $documents)
    {
    }

    /** What the entry line offers while it is typed into. */
    public function find(
        Request $request,
        string $slip,
        ItemSearch $search,
        FindAccounts $customers,
        FindLayaways $layaways,
        FindOrders $orders,
        AtTill $atTill,
        House $house,
    ): View {
        $typed = $request->string('q')->trim()->value();
        // A quantity, and nothing yet of what.
        $typed = preg_match('/^[\d.,]+\s*[xX×*]$/u', $typed) === 1 ? '' : $typed;
        $refused = null;

        try {
            $readings = EntryText::readings($typed);
        } catch (Refused $refused) {
            $readings = [EntryText::read('')];
        }

        $onSlip = Slip::query()->with('customer.type.priceLevel')->where('key', $slip)->first();
        $day = $onSlip?->day() ?? ShopTime::today();
        $terms = $onSlip?->priceTerms();
        $most = $request->boolean('more') ? self::MORE : self::SHOWN;
        $department = $request->integer('department');
        [$entry, $items] = $this->items($readings, $search, $most, $department);
        $terms?->preload($items->modelKeys());

        $found = $this->customers($entry->text, $customers);

        return view('counter.found', [
            'typed' => $request->string('q')->trim()->value(),
            'today' => ShopTime::today(),
            'layaways' => mb_strlen($entry->text) < 2
                    ? []
                    : $layaways->find(
                        $entry->text,
                        array_map(static fn (AccountFound $one): int => $one->customer->id, $found),
                        6,
                    ),
            'orders' => mb_strlen($entry->text) < 2
                    ? []
                    : $orders->find(
                        $entry->text,
                        array_map(static fn (AccountFound $one): int => $one->customer->id, $found),
                        6,
                    ),
            'quotesFound' => mb_strlen($entry->text) < 2
                    ? []
                    : FindQuotes::open(
                        $entry->text,
                        array_map(static fn (AccountFound $one): int => $one->customer->id, $found),
                        6,
                    ),
            'families' => mb_strlen($entry->text) < 2 || $department > 0
                    ? []
                    : FindFamilies::named($entry->text, self::FAMILIES),
            'onOrder' => OnOrder::of($items->modelKeys(), $atTill->till()->location_id),
            'entry' => $entry,
            'department' => $department,
            'departments' => $most === self::MORE ? $search->departments($entry->text, self::MORE) : [],
            'isMore' => $items->count() === self::SHOWN && $most === self::SHOWN,
            'refused' => $refused,
            'quotes' => $items->map(
                static fn ($item): array => [$item, PriceBooks::of($item, $terms)->quote($entry->quantity, $day)],
            ),
            'customers' => $found,
            'documents' => $this->documents($entry->text),
            'documentsShown' => self::DOCUMENTS,
            'card' => CardCode::looksLikeOne($typed) ? $this->card($typed) : null,
            'coupon' => ShowCoupon::named($typed),
            'plan' => PayPlan::named($typed),
            'here' => $atTill->till()->location,
            'house' => $house,
        ]);
    }

    /**
     * What is named exactly, or was chosen from the list. A layaway's number puts a payment on it on the slip, a gift
     * card's pays with it, a coupon's takes its reduction off. What was scanned and is nothing stays on the slip as
     * that.
     */
    public function add(
        Request $request,
        string $slip,
        AddToSlip $add,
        UnknownScans $unknown,
        FindLayaways $layaways,
        PayLayaway $pay,
        SupplyFromSlip $supply,
        TakeUpQuote $takeUp,
        GiftCardsOnSlip $cards,
        ShowCoupon $coupons,
        PayPlan $plans,
    ): Response {
        $item = $request->filled('item') ? $request->integer('item') : null;
        $typed = $request->string('entry')->value();
        $quantity = $request->string('quantity', '1')->value();
        $isScan = $request->boolean('scanned');

        return $this->page->after($request, $slip, 'entry', 'entry', static function (Act $act) use (
            $slip, $add, $item, $typed, $quantity, $isScan, $unknown, $layaways, $pay, $supply, $takeUp, $cards,
            $coupons, $plans,
        ): AddedLine|Slip {
            if ($item === null && CardCode::looksLikeOne($typed)) {
                return $cards->use($slip, $act, $typed);
            }

            $layaway = $item === null ? $layaways->named($typed) : null;

            if ($layaway !== null) {
                return $pay->add($slip, $act, $layaway);
            }

            $quote = $item === null ? Quote::named($typed) : null;

            if ($quote !== null) {
                return $takeUp->scan($slip, $act, $quote);
            }

            $order = $item === null ? FindOrders::named($typed) : null;

            if ($order !== null) {
                return $supply->add($slip, $act, $order);
            }

            $plan = $item === null ? PayPlan::named($typed) : null;

            if ($plan !== null) {
                return $plans->handle($slip, $act, $plan);
            }

            try {
                return $add->handle($slip, $act, $typed, $item, $quantity);
            } catch (Refused $refused) {
                if ($refused->rule === 'not_found' && ShowCoupon::named($typed) !== null) {
                    return $coupons->handle($slip, $act, $typed);
                }

                return $refused->rule === 'not_found' && $isScan
                    ? $unknown->keep($slip, $act, $typed)
                    : throw $refused;
            }
        });
    }

    /** Something that was scanned and is in no list was taken away. */
    public function known(Request $request, string $slip, UnknownScans $unknown): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'slip',
            'scanned',
            static fn (Act $act): Slip => $unknown->drop($slip, $act, $request->string('scanned')->value()),
        );
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
                $request->string('unknown')->value(),
                $request->consigned(),
            ),
        );
    }

    /**
     * @param  non-empty-list<EntryText>  $readings
     * @return array{EntryText, Collection<int, Item>} the first reading by which anything is found
     */
    private function items(array $readings, ItemSearch $search, int $most, int $department): array
    {
        foreach ($readings as $reading) {
            $items = mb_strlen($reading->text) < 2
                ? new Collection
                : $search->find($reading->text, $most, alsoInactive: true, department: $department);
            $exact = $items->isEmpty() ? $search->exact($reading->text) : null;

            if ($exact?->active === true) {
                $items = new Collection([$exact->load(['breaks', 'promotions', 'stock.location'])]);
            }

            if ($items->isNotEmpty()) {
                return [$reading, $items];
            }
        }

        return [$readings[0], new Collection];
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

    /** @return Collection<int, Document> the newest first */
    private function documents(string $text): Collection
    {
        $ids = $this->documents->inHand($text, self::DOCUMENTS);

        return $ids === [] ? new Collection : Document::query()->whereKey($ids)->orderByDesc('id')->get();
    }
}
