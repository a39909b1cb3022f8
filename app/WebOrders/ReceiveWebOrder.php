<?php

declare(strict_types=1);

namespace Elmstone\WebOrders;

use Elmstone\Core\Money\Refused;
use Elmstone\WebOrders\Ubl\ReadOrder;
use Illuminate\Support\Facades\DB;

/**
 * Takes in what a sender sends: once, by their number, however often it comes. What agrees with what the shop knows is
 * an order at once; else it waits to be looked at, whole as it came. Never is a part of it taken.
 */
final readonly class ReceiveWebOrder
{
    public function __construct(private MatchOrder $match, private AcceptOrder $accept)
    {
    }

    /**
     * @param  string  $via address, file, folder
     *
     * @throws Refused what ReadOrder refuses; sent_before: something else came under this number
     */
    public function handle(Sender $sender, string $xml, string $via): WebOrder
    {
        $incoming = ReadOrder::of($xml);
        $digest = hash('sha256', $xml);

        return DB::transaction(function () use ($sender, $xml, $via, $incoming, $digest): WebOrder {
            $web = $this->under($sender, $incoming->number, $digest, $via, $xml);

            if ($web->state !== WebOrderState::Fresh) {
                return $web;
            }

            $matched = $this->match->of($incoming, $sender);
            $problems = $matched->problems === [] ? $this->take($web, $matched, $sender) : $matched->problems;
            $problems === [] || $web
                ->forceFill([
                    'state' => WebOrderState::Look,
                    'problems' => array_map(static fn (Problem $one): array => $one->toArray(), $problems),
                ])
                ->save();

            return $web;
        }, 3);
    }

    /** @return list<Problem> none: it is an order now */
    private function take(WebOrder $web, Matched $matched, Sender $sender): array
    {
        try {
            DB::transaction(function () use ($web, $matched, $sender): void {
                self::taken($web, $matched, $this->accept->handle($web, $matched, $sender->staff)->id);
            });

            return [];
        } catch (Refused $refused) {
            $web->refresh();
            $isAccount = in_array($refused->rule, ['approval_missing', 'on_stop', 'not_an_account'], true);

            return [Problem::of($isAccount ? ProblemKind::Account : ProblemKind::Other, $refused->getMessage())];
        }
    }

    /** It is an order from now on; which of their lines is which of ours is kept for what is said back. */
    public static function taken(WebOrder $web, Matched $matched, int $order): void
    {
        $web
            ->forceFill([
                'state' => WebOrderState::Taken,
                'agreement_id' => $order,
                'problems' => [],
                'line_ids' => array_combine(
                    range(1, count($matched->lines)),
                    array_map(static fn (MatchedLine $line): string => $line->line->id, $matched->lines),
                ),
                'version' => $web->version + 1,
            ])
            ->save();
    }

    /** The row of this number, locked: whoever else sends it now waits for what becomes of it. */
    private function under(Sender $sender, string $number, string $digest, string $via, string $xml): WebOrder
    {
        // Not “or ignore”: all who wait would share the row, and then each wait for the others to have it alone.
        DB::table('web_orders')->upsert([
            'sender_id' => $sender->id,
            'number' => $number,
            'digest' => $digest,
            'via' => $via,
            'xml' => $xml,
            'state' => WebOrderState::Fresh->value,
            'problems' => '[]',
            'line_ids' => '[]',
            'received_at' => now(),
        ], ['sender_id', 'number'], ['sender_id']);
        $web = WebOrder::query()
            ->where('sender_id', $sender->id)
            ->where('number', $number)
            ->lockForUpdate()
            ->firstOrFail();
        $web->setRelation('sender', $sender);
        hash_equals($web->digest, $digest) || throw Refused::because(
            'sent_before',
            "Order {$number} came before with other contents. A change is sent under another number.",
        );

        return $web;
    }
}
