<?php

declare(strict_types=1);

namespace Elmstone\KeptCards;

use Elmstone\Core\Money\Refused;
use Elmstone\Customers\Customer;
use Elmstone\Customers\CustomerChanges;
use Elmstone\Devices\CardTerminal;
use Elmstone\Devices\DeviceFailed;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\DB;

/** Keeps a customer’s card, once they have agreed; and keeps it no more, when they ask for that. */
final readonly class KeepCards
{
    /** How many one customer may have. */
    private const MOST = 12;

    public function __construct(private CardTerminal $terminal)
    {
    }

    /**
     * The terminal reads the card and gives its word for it. Asked twice with one key, it is one card.
     *
     * @param  string  $key of what the page asks for
     * @param  string  $name what they call it; may be empty
     *
     * @throws Refused customer_merged, no_consent, too_many_cards, card_not_read
     */
    public function keep(
        Customer $customer,
        Till $till,
        Staff $by,
        ?Consent $consent,
        string $name,
        string $key,
    ): CardOnFile {
        $this->assertMay($customer, $till, $consent);

        try {
            $kept = $this->terminal->keep($till, $key);
        } catch (DeviceFailed $failed) {
            throw Refused::because('card_not_read', "{$failed->getMessage()} No card was kept; try again.");
        }

        return DB::transaction(static function () use ($customer, $by, $consent, $name, $kept): CardOnFile {
            Customer::query()->whereKey($customer->id)->lockForUpdate()->firstOrFail();
            $before = CardOnFile::query()->where('token', $kept->token)->first();

            if ($before !== null) {
                return $before;
            }

            CardOnFile::of($customer->id)->count() < self::MOST || throw Refused::because(
                'too_many_cards',
                'So many cards are on file already. Remove one they do not use any more.',
            );
            CustomerChanges::record($customer->id, $by, 'card on file', '', "{$kept->cardType} ending "
                .$kept->lastFour);

            return CardOnFile::query()->create([
                'customer_id' => $customer->id,
                'token' => $kept->token,
                'card_type' => $kept->cardType,
                'last_four' => $kept->lastFour,
                'expires' => $kept->expires->format('Y-m-d'),
                'name' => mb_substr($name, 0, 60),
                'consent' => $consent,
                'consent_on' => ShopTime::today()->format('Y-m-d'),
                'kept_by' => $by->id,
            ]);
        });
    }

    private function assertMay(Customer $customer, Till $till, ?Consent $consent): void
    {
        match (true) {
            $customer->isMerged() => throw Refused::because(
                'customer_merged',
                "{$customer->name} was merged into another customer. Choose that one.",
            ),
            $consent === null => throw Refused::because(
                'no_consent',
                'A card is kept only when its holder agrees. Tick how they did.',
            ),
            $till->training => throw Refused::because('training', 'A till for training keeps no cards.'),
            default => null,
        };
    }

    /** It is worth nothing from now on, whatever the terminal answers; that it was there stays on record. */
    public function remove(CardOnFile $card, Staff $by): void
    {
        $token = DB::transaction(static function () use ($card, $by): ?string {
            Customer::query()->whereKey($card->customer_id)->lockForUpdate()->firstOrFail();
            $card = CardOnFile::query()->whereKey($card->id)->lockForUpdate()->firstOrFail();
            $token = $card->token;

            if ($token !== null) {
                $card->update([
                    'token' => null,
                    'removed_on' => ShopTime::today()->format('Y-m-d'),
                    'removed_by' => $by->id,
                ]);
                CustomerChanges::record($card->customer_id, $by, 'card on file', $card->words(), 'removed');
            }

            return $token;
        });
        $token === null || $this->terminal->forget($token);
    }
}
