<?php

declare(strict_types=1);

namespace Elmstone\Tills\Days;

use Carbon\CarbonImmutable;
use Elmstone\Books\Proof\LastProof;
use Elmstone\Books\Proof\RunProof;
use Elmstone\Cards\CardRequest;
use Elmstone\Cards\CardState;
use Elmstone\Shop\Location;
use Elmstone\Support\Show;

/** What has to be right before a month is closed. */
final class MonthChecks
{
    public function __construct(private readonly RunProof $run)
    {
    }

    /** @return list<MonthCheck> */
    public function of(CarbonImmutable $last): array
    {
        return [...$this->days($last), ...$this->books($last), $this->cards($last)];
    }

    /** @return list<MonthCheck> */
    private function days(CarbonImmutable $last): array
    {
        return array_values(Location::query()->orderBy('id')->get()->map(
            static fn (Location $location): MonthCheck => new MonthCheck(
                "Days closed at {$location->name}",
                $location->closed_through->greaterThanOrEqualTo($last),
                'through '.Show::date($location->closed_through),
                route('calendar', ['month' => $last->format('Y-m')]),
            ),
        )->all());
    }

    /** @return list<MonthCheck> */
    private function books(CarbonImmutable $last): array
    {
        $proof = LastProof::find();
        $isNew = $proof !== null && $proof->saw($last);
        $checks = [new MonthCheck(
            'The books prove',
            $isNew && $proof->faults === 0,
            match (true) {
                $proof === null => 'not proved yet',
                ! $isNew => 'something was posted since they were proved',
                $proof->faults > 0 => "{$proof->faults} faults: ".($proof->found[0] ?? ''),
                default => 'proved '.Show::moment($proof->ranAt),
            },
            route('documents'),
        )];

        foreach ($this->run->topics() as $topic) {
            $faults = $proof->topics[$topic::class] ?? null;
            $checks[] = new MonthCheck(
                $topic->inWords(),
                $isNew && $faults === 0,
                $faults === null || $faults === 0 ? '' : ($faults === 1 ? 'one fault' : "{$faults} faults"),
                route($topic->page()),
            );
        }

        return $checks;
    }

    private function cards(CarbonImmutable $last): MonthCheck
    {
        $open = CardRequest::query()
            ->whereNull('document_id')
            ->whereIn('state', CardState::live())
            ->where('created_at', '<', $last->addDays(2))
            ->count();

        return new MonthCheck(
            'No card is without an answer, or approved and on no document',
            $open === 0,
            $open === 0 ? '' : ($open === 1 ? 'one is' : "{$open} are"),
            route('counter'),
        );
    }
}
