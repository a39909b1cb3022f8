<?php

declare(strict_types=1);

namespace Elmstone\Staff\Doors;

use Carbon\CarbonImmutable;
use Elmstone\Staff\Staff;
use Elmstone\Support\Csv;
use Elmstone\Support\ShopTime;
use Elmstone\Support\TypedDate;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Query\Builder;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** The security log, for the owner. */
final class SecurityLogController
{
    public function index(Request $request): View
    {
        return view('staff.security-log', [
            'rows' => $this->rows($request)->simplePaginate(100)->withQueryString(),
            'events' => SecurityEvent::cases(),
            'people' => Staff::query()
                ->orderBy('name')
                ->get(['id', 'name']),
            'what' => $request->string('what')->value(),
            'who' => $request->integer('who'),
            'day' => $this->day($request)?->format('Y-m-d'),
        ]);
    }

    public function csv(Request $request): StreamedResponse
    {
        return Csv::download(
            'security-log.csv',
            ['at', 'what', 'who', 'till', 'about', 'address'],
            (function () use ($request): iterable {
                foreach ($this->rows($request)->cursor() as $row) {
                    yield [
                        ShopTime::at((string) $row->at)->format('Y-m-d\TH:i:s.vP'),
                        (string) $row->what,
                        (string) $row->name,
                        (string) $row->till,
                        (string) $row->about,
                        (string) $row->address,
                    ];
                }
            })(),
        );
    }

    private function rows(Request $request): Builder
    {
        $what = SecurityEvent::tryFrom($request->string('what')->value());
        $day = $this->day($request);

        return DB::table('security_log as l')
            ->leftJoin('staff as s', 's.id', '=', 'l.staff_id')
            ->leftJoin('tills as t', 't.id', '=', 'l.till_id')
            ->when($what !== null, static fn (Builder $query) => $query->where('l.what', $what?->value))
            ->when(
                $request->integer('who') > 0,
                static fn (Builder $query) => $query->where('l.staff_id', $request->integer('who')),
            )
            ->when(
                $day,
                static fn (Builder $query, CarbonImmutable $day) => $query
                    ->where('l.at', '>=', ShopTime::beginning($day)->format('Y-m-d H:i:s'))
                    ->where('l.at', '<', ShopTime::beginning($day->addDay())->format('Y-m-d H:i:s')),
            )
            ->orderByDesc('l.id')
            ->select(['l.at', 'l.what', 's.name', 't.name as till', 'l.about', 'l.address']);
    }

    private function day(Request $request): ?CarbonImmutable
    {
        return TypedDate::of($request->input('day'));
    }
}
