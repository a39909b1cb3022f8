<?php

declare(strict_types=1);

namespace Elmstone\Demo;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use Carbon\CarbonImmutable;
use Closure;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentLine;
use Elmstone\Books\HeldKind;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Credits\CardCode;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Counter\Lines\AddToSlip;
use Elmstone\Counter\Parts\Back\BringBack;
use Elmstone\Counter\Parts\Back\BringBackBlind;
use Elmstone\Counter\Parts\Back\GiveCredit;
use Elmstone\Counter\Parts\GiftCardsOnSlip;
use Elmstone\Counter\Parts\ShowCoupon;
use Elmstone\Counter\Post\PostSale;
use Elmstone\Counter\Post\VoidSale;
use Elmstone\Counter\Settle\Cards\RefundCard;
use Elmstone\Counter\Settle\ChooseRefund;
use Elmstone\Counter\Settle\CountTender;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Settle\UseStoreCredit;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\PutCustomer;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Coupons\CouponRecord;
use Elmstone\Customers\Customer;
use Elmstone\Held\Cards\GiftCard;
use Elmstone\Held\Cards\LookAfterCards;
use Elmstone\Held\Ledger\HeldAccount;
use Elmstone\Returns\ReturnPolicy;
use Elmstone\Returns\ReturnReason;
use Elmstone\Returns\WriteOff;
use Elmstone\Returns\WriteOffLine;
use Elmstone\Returns\WriteOffReason;
use Elmstone\Shop\House;
use Elmstone\Shop\Shop;
use Elmstone\Staff\Approvals\GivenApproval;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;

/**
 * Goods that came back in every way, gift cards, store credit, coupons, credit notes and write-offs, spread over the
 * history by the acts of the counter.
 */
final class DemoReturns
{
    /** What happens, one after the other, every few days. */
    private const ROUND = [
        'cash', 'card', 'giftSold', 'exchange', 'charged', 'coupon', 'storeCredit', 'broken', 'giftUsed', 'blind',
        'faulty', 'creditUsed', 'damaged', 'priceWrong', 'toSupplier', 'topUp', 'oldest', 'goodwill', 'void',
    ];

    private const EVERY_DAYS = 5;

    private int $turn = 0;

    public function __construct(
        private readonly House $house,
        private readonly SlipDesk $desk,
        private readonly AddToSlip $add,
        private readonly PutCustomer $put,
        private readonly BringBack $back,
        private readonly BringBackBlind $blind,
        private readonly ChooseRefund $choose,
        private readonly RefundCard $refundCard,
        private readonly CountTender $count,
        private readonly GiftCardsOnSlip $cards,
        private readonly UseStoreCredit $storeCredit,
        private readonly ShowCoupon $coupons,
        private readonly PostSale $post,
        private readonly GiveCredit $credit,
        private readonly VoidSale $void,
        private readonly WriteOff $writeOff,
        private readonly LookAfterCards $lookAfter,
        private readonly DemoClerk $clerk,
    ) {
    }

    public function rules(CarbonImmutable $today): void
    {
        $policy = static fn (
            string $name,
            bool $returnable,
            ?int $days,
            string $fee,
            string $words,
        ): int => ReturnPolicy::query()->create([
            'name' => $name,
            'returnable' => $returnable,
            'days' => $days,
            'fee_percent' => $fee,
            'words' => $words,
        ])->id;
        $usual = $policy('Usual', true, 30, '0', 'unused and with this paper');
        $machines = $policy('Machines', true, 14, '15', 'unused, in their box');
        $mixed = $policy('Mixed and cut', false, null, '0', '');

        Shop::query()->update(['return_policy_id' => $usual, 'receipt_foot' => 'Thank you for coming in.']);
        DB::table('departments')
            ->where('code', 'mach')
            ->update(['return_policy_id' => $machines]);
        DB::table('departments')
            ->where('code', 'paint')
            ->update(['return_policy_id' => $mixed]);
        $tile = (int) DB::table('departments')->where('code', 'tile')->value('id');

        foreach (
            [
                ['SPRING10', 'Spring, 10 % off', '10', null, null, null, -500, -200, null, false],
                ['TILE5', 'Five off tiles from 40', null, 500, [$tile], 4000, -600, null, null, false],
                ['WELCOME', 'Welcome, once', '8', null, null, null, -600, null, 1, true],
                ['AUTUMN6', 'Autumn, 6 % off', '6', null, null, 2500, -60, 40, null, true],
            ] as [$code, $words, $percent, $amount, $departments, $least, $from, $until, $most, $alone]
        ) {
            CouponRecord::query()->create([
                'code' => $code,
                'description' => $words,
                'percent' => $percent,
                'amount' => $amount === null ? null : $this->house->money($amount),
                'departments' => $departments,
                'least_spend' => $least === null ? null : $this->house->money($least),
                'starts_on' => $today->addDays($from)->format('Y-m-d'),
                'ends_on' => $until === null ? null : $today->addDays($until)->format('Y-m-d'),
                'most_uses' => $most,
                'alone' => $alone,
                'active' => true,
            ]);
        }
    }

    public function on(CarbonImmutable $day): int
    {
        if ((int) $day->format('z') % self::EVERY_DAYS !== 0) {
            return 0;
        }

        CarbonImmutable::setTestNow(ShopTime::when($day, 15, 20));
        $this->happens(self::ROUND[$this->turn++ % count(self::ROUND)], $day);
        CarbonImmutable::setTestNow();

        return 1;
    }

    /**
     * A card that was lost; and a slip on which somebody has just brought something back and takes something else
     * along.
     */
    public function end(): void
    {
        $this->turn++;
        $lost = GiftCard::query()->whereRelation('account', 'balance', '>', 0)->orderBy('id')->first();
        $lost === null
            || $this->lookAfter->replace(
                $lost,
                CardCode::make('30415926535897'),
                'lost on the building site',
                $this->clerk->staff('201'),
            );
        $sale = $this->sale(ShopTime::today(), TenderKind::Cash);

        if ($sale !== null) {
            [$slip, $act] = $this->slip();
            $this->back->lines($slip, $act(), $this->first($sale), ReturnReason::DoesNotFit, null, $sale->label);
            $this->add->handle($slip, $act(), 'LH-1140');
        }
    }

    private function happens(string $what, CarbonImmutable $day): void
    {
        match ($what) {
            'cash' => $this->cash($day),
            'card' => $this->card($day),
            'giftSold' => $this->giftSold(),
            'exchange' => $this->exchange($day),
            'charged' => $this->charged($day),
            'coupon' => $this->coupon($day),
            'storeCredit' => $this->storeCredit($day),
            'broken' => $this->broken($day),
            'giftUsed' => $this->giftUsed(),
            'blind' => $this->blind(),
            'faulty' => $this->faulty($day),
            'creditUsed' => $this->creditUsed(),
            'damaged' => $this->damaged($day),
            'priceWrong' => $this->priceWrong($day),
            'toSupplier' => $this->toSupplier($day),
            'topUp' => $this->topUp(),
            'oldest' => $this->oldest($day),
            'goodwill' => $this->goodwill(),
            default => $this->void($day),
        };
    }

    private function cash(CarbonImmutable $day): void
    {
        $this->bring(
            $day,
            TenderKind::Cash,
            ReturnReason::NotNeeded,
            fn (string $slip, Closure $act): Slip => $this->choose->rest($slip, $act(), TenderKind::Cash),
        );
    }

    private function card(CarbonImmutable $day): void
    {
        $this->bring(
            $day,
            TenderKind::Card,
            ReturnReason::WrongItem,
            fn (string $slip, Closure $act, Document $sale): Slip => $this->refundCard->handle(
                $slip,
                $act(),
                $sale->tenders->firstOrFail('kind', TenderKind::Card)->authorisation,
                null,
            ),
        );
    }

    private function exchange(CarbonImmutable $day): void
    {
        $this->bring($day, TenderKind::Cash, ReturnReason::DoesNotFit, function (string $slip, Closure $act): Slip {
            $this->add->handle($slip, $act(), 'MA-0031');
            $reckoned = ReckonedCounter::of($this->desk->read($slip, $act()), $this->house);

            return $reckoned->isRefund()
                ? $this->choose->rest($slip, $act(), TenderKind::Cash)
                : $this->count->cash($slip, $act(), $reckoned->outstanding());
        });
    }

    private function charged(CarbonImmutable $day): void
    {
        $this->bring(
            $day,
            TenderKind::HouseAccount,
            ReturnReason::NotNeeded,
            fn (string $slip, Closure $act): Slip => $this->desk->read($slip, $act()),
        );
    }

    private function oldest(CarbonImmutable $day): void
    {
        $this->bring(
            $day,
            TenderKind::HouseAccount,
            ReturnReason::WrongItem,
            fn (string $slip, Closure $act): Slip => $this->choose->creditTo($slip, $act(), true),
        );
    }

    private function storeCredit(CarbonImmutable $day): void
    {
        $this->bring(
            $day,
            TenderKind::Cash,
            ReturnReason::NotNeeded,
            function (string $slip, Closure $act): Slip {
                $this->put->handle($slip, $act(), $this->someone());

                return $this->choose->rest($slip, $act(), TenderKind::StoreCredit);
            },
            anyone: true,
        );
    }

    private function faulty(CarbonImmutable $day): void
    {
        $this->bring(
            $day,
            TenderKind::Cash,
            ReturnReason::Faulty,
            fn (string $slip, Closure $act): Slip => $this->choose->rest($slip, $act(), TenderKind::GiftCard),
        );
    }

    private function toSupplier(CarbonImmutable $day): void
    {
        $this->bring(
            $day,
            TenderKind::Cash,
            ReturnReason::Recalled,
            fn (string $slip, Closure $act): Slip => $this->choose->rest($slip, $act(), TenderKind::Cash),
        );
    }

    private function damaged(CarbonImmutable $day): void
    {
        $this->bring(
            $day,
            TenderKind::Cash,
            ReturnReason::Damaged,
            fn (string $slip, Closure $act): Slip => $this->choose->rest($slip, $act(), TenderKind::Cash),
        );
    }

    private function blind(): void
    {
        [$slip, $act] = $this->slip();
        $this->blind->item(
            $slip,
            $act(),
            Item::query()->where('code', 'LH-1140')->firstOrFail(),
            Quantity::of('2'),
            ReturnReason::NotNeeded,
            null,
        );
        $this->choose->rest($slip, $act(), TenderKind::GiftCard);
        $this->clerk->settle($slip, $act);
    }

    private function giftSold(): void
    {
        [$slip, $act] = $this->slip();
        $changed = $this->cards->sell($slip, $act(), $this->house->money(2_500 + 2_500 * ($this->turn % 3)), '');
        $changed = $this->count->cash($slip, $act($changed->version), $this->house->money(10_000));
        $this->post->handle($slip, $act($changed->version));
    }

    private function topUp(): void
    {
        $card = GiftCard::query()->whereRelation('account', 'balance', '>', 0)->orderBy('id')->first();

        if ($card !== null) {
            [$slip, $act] = $this->slip();
            $this->cards->sell($slip, $act(), $this->house->money(2_000), Crypt::decryptString((string) $card->number));
            $changed = $this->count->cash($slip, $act(), $this->house->money(2_000));
            $this->post->handle($slip, $act($changed->version));
        }
    }

    private function giftUsed(): void
    {
        $card = GiftCard::query()->whereRelation('account', 'balance', '>', 0)->orderBy('id')->first();
        [$slip, $act] = $this->slip();
        $this->add->handle($slip, $act(), '2 x LH-1141');
        $card === null || $this->cards->use($slip, $act(), Crypt::decryptString((string) $card->number));
        $this->clerk->settle($slip, $act);
    }

    private function creditUsed(): void
    {
        $held = HeldAccount::query()
            ->where('kind', HeldKind::StoreCredit)
            ->where('balance', '>', 0)
            ->orderBy('customer_id')
            ->first();

        if ($held !== null) {
            [$slip, $act] = $this->slip();
            $this->put->handle(
                $slip,
                $act(),
                Customer::query()->with('type.priceLevel')->findOrFail((int) $held->customer_id),
            );
            $this->add->handle($slip, $act(), 'LH-1140');
            $this->storeCredit->rest($slip, $act());
            $this->clerk->settle($slip, $act);
        }
    }

    private function coupon(CarbonImmutable $day): void
    {
        [$slip, $act] = $this->slip();
        $this->add->handle($slip, $act(), '3 x AD-0207');
        $coupon = CouponRecord::query()
            ->whereNull('departments')
            ->where('starts_on', '<=', $day->format('Y-m-d'))
            ->orderByDesc('id')
            ->get()
            ->first(static fn (CouponRecord $one): bool => $one->hindrance($day) === '');
        $coupon === null || $this->coupons->handle($slip, $act(), $coupon->code);
        $this->clerk->settle($slip, $act);
    }

    private function broken(CarbonImmutable $day): void
    {
        $items = Item::query()
            ->whereIn('code', ['LH-1141', 'ST-2001'])
            ->orderBy('id')
            ->get()
            ->all();
        $this->writeOff->handle(
            array_values(
                array_map(
                    static fn (Item $item, int $i): WriteOffLine => new WriteOffLine(
                        $item,
                        Quantity::of((string) ($i + 1)),
                        $i === 0 ? WriteOffReason::Broken : WriteOffReason::Missing,
                        $i === 0 ? 'fell off the forklift' : 'short at the count',
                    ),
                    $items,
                    array_keys($items),
                ),
            ),
            '',
            $this->key("write-off {$day->format('Y-m-d')}"),
            $this->clerk->till(1),
            $this->clerk->staff('201'),
            new GivenApproval($this->clerk->staff('901'), 'counted together'),
        );
    }

    private function priceWrong(CarbonImmutable $day): void
    {
        $sale = $this->sale($day, TenderKind::HouseAccount);
        $line = $sale?->lines->first(static fn (DocumentLine $line): bool => $line->total->minor > 1000);

        if ($sale !== null && $line !== null) {
            $this->credit->onInvoice(
                $this->key("price {$this->turn}"),
                $this->clerk->approved("return {$this->turn}"),
                $sale,
                [$line->position => $this->house->money(intdiv($line->total->minor, 10))],
                ReturnReason::PriceWrong,
                'the offer was not taken off',
                TenderKind::HouseAccount,
                false,
            );
        }
    }

    private function goodwill(): void
    {
        $this->credit->free(
            $this->key("goodwill {$this->turn}"),
            $this->clerk->approved("return {$this->turn}"),
            $this->someone(),
            $this->house->money(1_500),
            null,
            null,
            'for the long wait at the yard',
            TenderKind::StoreCredit,
            false,
        );
    }

    private function void(CarbonImmutable $day): void
    {
        $sale = Document::query()
            ->where('kind', 'invoice')
            ->where('purpose', 'sale')
            ->where('location_id', 1)
            ->where('business_date', $day->format('Y-m-d'))
            ->whereNull('customer_id')
            ->get()
            ->load(['lines', 'tenders'])
            ->first(static fn (Document $one): bool => $one->tenders->every('kind', TenderKind::Cash));

        if ($sale !== null) {
            $fresh = $this->void->handle($sale, $this->clerk->approved("return {$this->turn}"));
            $this->desk->change(
                $fresh->key,
                $this->clerk->approved("return {$this->turn}"),
                static fn (Slip $slip) => $slip
                    ->lines()
                    ->where('id', $slip->lines->last()?->id)
                    ->delete(),
            );
            Slip::query()
                ->whereKey($fresh->id)
                ->update(['state' => 'cleared']);
        }
    }

    /** @param  Closure(string, Closure, Document): Slip  $settle */
    private function bring(
        CarbonImmutable $day,
        TenderKind $paidBy,
        ReturnReason $reason,
        Closure $settle,
        bool $anyone = false,
    ): void {
        $sale = $this->sale($day, $paidBy, $anyone);

        if ($sale !== null) {
            [$slip, $act] = $this->slip();
            $this->back->lines($slip, $act(), $this->first($sale), $reason, null, $sale->label);
            $settle($slip, $act, $sale);
            $this->clerk->settle($slip, $act);
        }
    }

    /** A sale of the days before, paid one way, of which nothing came back. */
    private function sale(CarbonImmutable $day, TenderKind $paidBy, bool $anyone = false): ?Document
    {
        $may = DB::table('departments')
            ->whereNotIn('code', ['paint', 'mach'])
            ->pluck('id')
            ->all();
        $sold = Document::query()
            ->where('kind', 'invoice')
            ->where('purpose', 'sale')
            ->where('location_id', 1)
            ->orderBy('id')
            ->whereBetween('business_date', [$day->subDays(5)->format('Y-m-d'), $day->subDays(2)->format('Y-m-d')])
            ->limit(120)
            ->get()
            ->load(['lines', 'tenders']);
        $back = DB::table('document_lines')
            ->whereIn('origin_document_id', $sold->modelKeys())
            ->pluck('origin_document_id')
            ->all();
        $fitting = $sold
            ->filter(
                static fn (Document $sale): bool => $sale->tenders->every('kind', $paidBy)
                    && ($sale->customer_id === null || ! $anyone)
                    && ! in_array($sale->id, $back, true)
                    && $sale->lines->contains(
                        static fn (DocumentLine $line): bool => $line->total->minor > 300
                            && in_array($line->department_id, $may, true),
                    ),
            )
            ->values();

        return $fitting->get($this->turn % max(1, min(3, $fitting->count())));
    }

    /** @return array<string, string> half of the first line that may come back, at least one or all there is of it */
    private function first(Document $sale): array
    {
        $allowed = DB::table('departments')
            ->whereNotIn('code', ['paint', 'mach'])
            ->pluck('id')
            ->all();
        $line = $sale->lines->first(
            static fn (DocumentLine $line): bool => $line->total->minor > 300
                && in_array($line->department_id, $allowed, true),
        ) ?? $sale->lines->firstOrFail();

        $sold = $line->quantity->value;
        $half = BigDecimal::max(1, $sold->dividedBy(2, 0, RoundingMode::DOWN));

        return ["{$sale->id}:{$line->position}" => (string) BigDecimal::min($half, $sold)->stripTrailingZeros()];
    }

    private function someone(): Customer
    {
        return Customer::query()
            ->with('type.priceLevel')
            ->orderByDesc('id')
            ->skip(3 + ($this->turn % 7))
            ->firstOrFail();
    }

    /** @return array{string, Closure(int|null=): Act} */
    private function slip(): array
    {
        return $this->clerk->slip("return slip {$this->turn}", $this->turn);
    }

    private function key(string $name): string
    {
        return $this->clerk->key("return {$name}");
    }
}
