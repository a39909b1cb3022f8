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
use Elmstone\Counter\Lines\EntryText;
use Elmstone\Counter\Parts\PayPlan;
use Elmstone\Counter\Parts\ShowCoupon;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Held\Cards\GiftCard;
use Elmstone\Held\Cards\GiftCards;
use Elmstone\Layaways\FindLayaways;
use Elmstone\Orders\FindOrders;
use Elmstone\Purchasing\OnOrder;
use Elmstone\Quotes\FindQuotes;
use Elmstone\Receivables\Accounts\AccountFound;
use Elmstone\Receivables\Accounts\FindAccounts;
use Elmstone\Shop\House;
use Elmstone\Staff\AtTill;
use Elmstone\Support\ShopTime;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\Request;

/** What the entry line finds. */
final class FindController
{
    /** Items in the list at first, and where more are asked for. */
    private const SHOWN = 7;

    private const MORE = 60;

    private const FAMILIES = 3;

    /** Layaways, orders and quotes in the list, of each so many. */
    private const PROMISED = 6;

    /** Documents in the list; the register shows all. */
    private const DOCUMENTS = 3;

    public function __construct(private readonly FindDocuments $documents)
    {
    }

    /** What the entry line offers while it is typed into. */
    public function show(
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
        $theirs = array_map(static fn (AccountFound $one): int => $one->customer->id, $found);
        $isShort = mb_strlen($entry->text) < 2;

        return view('counter.found', [
            'typed' => $request->string('q')->trim()->value(),
            'today' => ShopTime::today(),
            'layaways' => $isShort ? [] : $layaways->find($entry->text, $theirs, self::PROMISED),
            'orders' => $isShort ? [] : $orders->find($entry->text, $theirs, self::PROMISED),
            'quotesFound' => $isShort ? [] : FindQuotes::open($entry->text, $theirs, self::PROMISED),
            'families' => $isShort || $department > 0 ? [] : FindFamilies::named($entry->text, self::FAMILIES),
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
