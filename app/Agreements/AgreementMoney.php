<?php

declare(strict_types=1);

namespace Elmstone\Agreements;

use Elmstone\Books\Document;
use Elmstone\Books\HeldKind;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Returns\AsItCame;
use Elmstone\Held\Ledger\HeldAccount;
use Elmstone\Held\Ledger\HeldEntry;
use Elmstone\Held\Ledger\Movement;
use Elmstone\MoneyOut\Brought;
use Illuminate\Support\Facades\DB;

/**
 * By which ways the money paid on an agreement came in, and so by which it may go back: of every receipt only the share
 * that went on this one, less what left again. Worked out of the entries in their order, so that it is the same
 * whenever it is looked at.
 */
final readonly class AgreementMoney
{
    /**
     * @param  array<string, Money>  $left by way, what came in and has not gone back
     * @param  array<int, array<string, Money>>  $moved by document, the ways of what became a deposit
     * @param  array<int, array<string, Money>>  $used of an order, by document, the ways of what paid its invoices
     * @param  Money  $owed what bounced when the goods had left, and is owed on the customer's account
     */
    private function __construct(
        public array $left,
        public array $moved,
        public array $used,
        public Money $owed,
    ) {
    }

    public static function of(int $agreement, Currency $currency): self
    {
        $account = (int) DB::table('agreements')->where('id', $agreement)->value('account_id');
        $entries = HeldEntry::query()
            ->with(['document.tenders', 'document.heldRows'])
            ->where('account_id', $account)
            ->orderBy('id')
            ->get();
        $paid = [];
        $left = [];
        $moved = [];
        $used = [];
        // A layaway becomes one invoice: what paid it stays what can go back of it.
        $isOrder = HeldAccount::query()->find($account)?->kind === HeldKind::Order;

        foreach ($entries as $entry) {
            [$document, $amount] = [$entry->document, $entry->amount->abs()];

            $ways = match ($entry->movement) {
                Movement::In => ($paid[$document->id] = self::share($document, $account)),
                Movement::Back => Brought::ways($document),
                Movement::Returned => self::returned($document, $paid[$document->refers_to_id ?? 0] ?? [], $amount),
                Movement::Moved => ($moved[$document->id] = AsItCame::share($amount, $left)),
                Movement::Used, Movement::Fee => $isOrder
                    ? ($used[$document->id] = AsItCame::share($amount, $left))
                    : [],
                default => [],
            };
            $left = $entry->movement === Movement::In ? Brought::plus($left, $ways) : Brought::minus($left, $ways);
        }

        $owed = Money::zero($currency);
        $gone = $entries
            ->filter(static fn (HeldEntry $entry): bool => $entry->movement === Movement::Returned)
            ->map(static fn (HeldEntry $entry): int => $entry->document_id)
            ->all();

        foreach (
            $paid === []
                ? []
                : Document::query()
                    ->with('tenders')
                    ->whereIn('refers_to_id', array_keys($paid))
                    ->where('purpose', Purpose::ReturnedPayment)
                    ->whereNotIn('id', $gone)
                    ->get() as $return
        ) {
            $bounced = array_intersect_key($paid[$return->refers_to_id ?? 0] ?? [], Brought::ways($return));
            $left = Brought::minus($left, $bounced);
            $owed = $owed->plus(Money::sum($bounced, $currency));
        }

        return new self($left, $moved, $used, $owed);
    }

    /**
     * By which ways what an invoice of an order was paid with from its deposit came in.
     *
     * @return array<string, Money> by way
     */
    public static function ofSupply(int $document): array
    {
        $invoice = Document::query()->findOrFail($document);
        $order = DB::table('agreements')->where('label', $invoice->supplies)->value('id');

        return is_int($order) ? self::of($order, $invoice->currency())->used[$document] ?? [] : [];
    }

    /**
     * What of a receipt went on one of them, by its account.
     *
     * @return array<string, Money> by way
     */
    private static function share(Document $receipt, int $account): array
    {
        $kind = HeldAccount::query()->findOrFail($account)->kind;
        $amounts = HeldEntry::query()
            ->where('document_id', $receipt->id)
            ->where('movement', Movement::In)
            ->whereRelation('account', 'kind', $kind)
            ->orderBy('id')
            ->pluck('amount', 'account_id')
            ->all();

        return AsItCame::spread($amounts, Brought::byPart($receipt)[$kind->value])[$account] ?? [];
    }

    /**
     * What bounced is what is not there any more.
     *
     * @param  array<string, Money>  $paid
     * @return array<string, Money>
     */
    private static function returned(Document $return, array $paid, Money $amount): array
    {
        $bounced = array_intersect_key($paid, Brought::ways($return));

        return AsItCame::share($amount, $bounced === [] ? $paid : $bounced);
    }
}
