<?php

declare(strict_types=1);

namespace Elmstone\Layaways\Pages;

use Carbon\CarbonImmutable;
use Elmstone\Layaways\Layaway;
use Elmstone\Shop\House;
use Elmstone\Support\Due\Due;
use Elmstone\Support\Due\HasDue;

/** Layaways whose payment is due, whose last day comes, and those that wait to be collected. */
final readonly class DueLayaways implements HasDue
{
    public function __construct(private House $house)
    {
    }

    public function due(CarbonImmutable $day, int $most): iterable
    {
        foreach ([WorklistTab::Behind, WorklistTab::Expiring, WorklistTab::Ready] as $tab) {
            foreach ($tab->query($day)->with('customer')->limit($most)->get() as $layaway) {
                // Who is behind on a layaway that expires is asked once.
                if ($tab !== WorklistTab::Expiring || ! $layaway->isBehind($day)) {
                    yield $this->one($layaway, $tab, $day);
                }
            }
        }
    }

    private function one(Layaway $layaway, WorklistTab $tab, CarbonImmutable $day): Due
    {
        $customer = $layaway->customer;
        $when = match ($tab) {
            WorklistTab::Expiring => $layaway->expires_on,
            WorklistTab::Ready => $layaway->paid_on,
            default => $layaway->next_due,
        };

        return new Due(
            $layaway->label,
            route('layaways.show', $layaway),
            $customer->name,
            $customer->phone !== '' ? $customer->phone : $customer->mail,
            $when ?? $day,
            $tab === WorklistTab::Behind ? $layaway->next_open : $layaway->remaining(),
            match ($tab) {
                WorklistTab::Expiring => $layaway->isExpired($day) ? 'expired' : 'about to expire',
                WorklistTab::Ready => 'paid, to collect',
                default => 'payment late',
            },
            NextStep::for($layaway, $day, $this->house),
            $tab === WorklistTab::Behind || $layaway->isExpired($day),
        );
    }
}
