<?php

declare(strict_types=1);

namespace Elmstone\Counter\Post\Steps;

use Elmstone\Books\Books;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\GoodsTo;
use Elmstone\Books\HeldKind;
use Elmstone\Catalogue\Serials;
use Elmstone\Catalogue\StockLedger;
use Elmstone\Catalogue\StockMove;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Returns\AsItCame;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Counter\Post\CreditDraft;
use Elmstone\Counter\Post\MoveCredits;
use Elmstone\Counter\Post\SlipPosting;
use Elmstone\Counter\Post\Step;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Settle\RefundTenders;
use Elmstone\Counter\Settle\RefundWays;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\ReturnOnSlip;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Held\Ledger\HeldEntry;
use Elmstone\Held\Ledger\HeldLedger;
use Elmstone\Held\Ledger\Movement;
use Elmstone\Plans\PlanGoesBack;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Ledger\Ledger;
use Elmstone\Receivables\Ledger\LedgerEntry;
use Elmstone\Receivables\Ledger\Setting;
use Elmstone\Receivables\Payments\TakeDiscountBack;
use Elmstone\Returns\CreditSpread;
use Elmstone\Returns\Pool;
use Elmstone\Returns\ShareRows;
use Elmstone\Returns\Source;
use Elmstone\Shares\ShareLedger;
use Elmstone\Shop\House;
use Elmstone\Stock\AverageCost;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/**
 * What comes back on a slip becomes a credit note: with its money by the ways that were chosen, its goods where they
 * go, and the account's items it settles. Inside a transaction.
 */
final readonly class PostCredit extends Step
{
    public function __construct(
        private House $house,
        private Books $books,
        private StockLedger $stock,
        private AverageCost $average,
        private Serials $serials,
        private Ledger $ledger,
        private CreditSpread $spread,
        private HeldLedger $deposits,
        private MoveCredits $credits,
        private TakeDiscountBack $discounts,
        private PlanGoesBack $plans,
        private ShareLedger $shares,
    ) {
    }

    /** What comes back, read under a lock: nothing may be read without one before everything is locked. */
    public function lockLines(Slip $slip): void
    {
        $slip->setRelation(
            'returns',
            $slip->takesBack()
                ? ReturnOnSlip::query()->where('slip_id', $slip->id)->orderBy('position')->lockForUpdate()->get()
                : new Collection,
        );
    }

    /**
     * One after the other in the order of their ids, so that two tills taking back of the same invoice follow each
     * other.
     */
    public function lockOriginals(Slip $slip): void
    {
        $ids = $slip->returns->pluck('origin_document_id')->filter()->unique()->sort()->values()->all();

        foreach ($ids as $id) {
            $slip->originals[(int) $id] = Document::query()->whereKey($id)->lockForUpdate()->firstOrFail();
        }

        $slip->returns->load('item');
    }

    /**
     * A credit can bring adjustments with it: a discount taken back, a plan, stock that is worth something else.
     */
    public function kinds(ReckonedCounter $reckoned): array
    {
        return $reckoned->back === null ? [] : [DocumentKind::CreditNote, DocumentKind::Adjustment];
    }

    public function post(SlipPosting $posting): void
    {
        $ways = $posting->reckoned->refund;
        $ways === null || ($posting->credit = $this->credit($posting, $ways));
    }

    /** @return int the credit note's document id */
    private function credit(SlipPosting $posting, RefundWays $ways): int
    {
        [$reckoned, $slip, $act] = [$posting->reckoned, $posting->slip(), $posting->act];
        [$account, $held] = [$posting->account, $posting->deposits];
        $draws = new CreditDraft($reckoned, $this->house);
        $moves = $draws->moves();
        $onto = $ways->chosen(TenderKind::GiftCard)->isPositive() ? $this->credits->cardToFill($slip) : null;
        $tenders = (new RefundTenders($ways, $slip, $this->house))->all((string) $onto?->id, $onto?->masked() ?? '');
        $toAccount = $ways->chosen(TenderKind::HouseAccount);
        $toAccount->isPositive()
            && $account === null
            && throw Refused::because('not_an_account', 'Without a house account nothing can go back to it.');
        $draft = $draws->document($tenders, $act->postedAt($slip), $toAccount->isPositive() ? $account : null);
        $this->stock->take($moves);
        $document = $this->books->document($draft);
        $reckoned->back === null || $this->shares->back($document, $draft, $reckoned->back->origins);
        $this->stock->record(
            'return',
            array_map(static fn (StockMove $move): array => [$move, $slip->day(), $document], $moves),
        );
        $this->average->after(
            $moves,
            $act->postedAt($slip),
            $draft->key,
            $document,
        );
        $this->serialsBack($slip);
        ShareRows::write($document, $ways->shares() ?? []);
        $this->credits->give($document, $tenders, $slip);

        if ($account !== null && $toAccount->isPositive()) {
            $this->ledger->enter($account, [new LedgerEntry($document, $draft)]);
            $setting = Setting::by($act->by, $slip->day(), $draft->key);
            $toAccount = $this->withOriginals($account, $document, $toAccount, $ways, $slip, $setting, $act);
            $this->spread->handle(
                $account,
                $document,
                $toAccount,
                array_keys($slip->originals),
                $slip->credit_to === 'oldest',
                $setting,
            );
        }

        $deposit = $ways->chosen(TenderKind::DepositHeld);

        if ($held !== null && $deposit->isPositive()) {
            foreach ($this->keptFor($slip, $deposit) as $for => $amount) {
                $this->deposits->put($held, $document, $amount, $slip->day(), keptFor: (string) $for);
            }
        }

        return $document;
    }

    /** @return array<int|string, Money> what becomes a deposit again, by the order it had been kept for */
    private function keptFor(Slip $slip, Money $amount): array
    {
        $used = HeldEntry::query()
            ->whereIn('document_id', array_keys($slip->originals))
            ->where('movement', Movement::Used)
            ->whereRelation('account', 'kind', HeldKind::Deposit)
            ->groupBy('kept_for')
            ->orderBy('kept_for')
            ->selectRaw('kept_for, CAST(-SUM(amount) AS SIGNED) AS amount')
            ->pluck('amount', 'kept_for');
        $shares = AsItCame::share($amount, $used->all());

        return $shares === [] ? ['' => $amount] : $shares;
    }

    /**
     * What belongs to the invoices that were charged goes with what comes back of them: their settlement discount, and
     * the plan they are paid by.
     *
     * @return Money what of the credit is left after that
     */
    private function withOriginals(
        HouseAccount $account,
        int $credit,
        Money $left,
        RefundWays $ways,
        Slip $slip,
        Setting $setting,
        Act $act,
    ): Money {
        $at = $act->postedAt($slip);

        foreach ($ways->shares() ?? [] as $source => $shares) {
            $from = Source::read($source);
            $origin = $from->is(Pool::Charged) ? (int) $from->origin : 0;
            $back = Money::sum($shares, $left->currency);

            if ($origin > 0 && $back->isPositive()) {
                $sum = DB::table('return_shares')
                    ->where('origin_document_id', $origin)
                    ->where('pool', 'charged')
                    ->where('document_id', '<', $credit)
                    ->sum('amount');
                $before = $this->house->money((int) $sum);
                $discount = $this->discounts->withGoods($slip->originals[$origin], $before, $back);
                $this->discounts->handle($account, $credit, $discount, $origin, $setting, $at);
                $left = $left->minus($discount);
                $left = $left->minus(
                    $this->plans->handle(
                        $account,
                        $credit,
                        $slip->originals[$origin],
                        $left,
                        $before,
                        $back,
                        $setting,
                        $at,
                    ),
                );
            }
        }

        return $left;
    }

    private function serialsBack(Slip $slip): void
    {
        foreach ($slip->returns as $line) {
            if ($line->item?->has_serials === true && $line->goods_to !== GoodsTo::None) {
                $this->serials->comeBack(
                    $line->item->id,
                    $line->description,
                    $line->serials ?? [],
                    $line->goods_to === GoodsTo::Stock,
                );
            }
        }
    }
}
