@use('Elmstone\Books\DocumentKind')
@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'Gift card '.$card->masked())
@section('main')
<div class="page">
    <div class="page-head"><h1>Gift card <span class="code">{{ $card->masked() }}</span></h1>
    <span class="soft">{{ $house->currency()->code }}</span></div>
    @include('design.messages')
    <div class="split">
        <div>
            <div class="card-worth"><span class="sum">{{ $card->account->balance }}</span>
                <span class="{{ $card->hindrance($today) === '' ? 'soft'
                    : ($card->blocked ? 'brick' : 'ochre') }}">{{ $card->hindrance($today) !== ''
                        ? $card->hindrance($today).'; what it is worth stays'
                            : ($card->expires_on === null ? 'good without end'
                                : 'good until '.Show::date($card->expires_on)) }}</span></div>
            @include('held.entries', [
                'in' => 'On',
                'out' => 'Used',
                'what' => fn ($entry, bool $isFirst): string => match (true) {
                    ! $entry->amount->isPositive() => 'Paid with it',
                    $entry->document->kind === DocumentKind::CreditNote => 'Goods brought back',
                    default => $isFirst ? 'Sold' : 'Topped up',
                },
                'note' => fn ($entry): string => '',
            ])
            @if($card->changesMade->isNotEmpty())
                <h2 class="mt-4">On record</h2>
                <table class="ruled small">@foreach($card->changesMade as $change)<tr>
                <td class="nowrap">{{ Show::on($change->made_at) }}</td><td>{{ $change->what }}</td>
                <td class="soft">{{ $change->staff->name }}</td></tr>@endforeach</table>
            @endif
        </div>
        <aside>
            @can('look-after-cards')
            <h2>Lost</h2>
            <form method="post" action="{{ route('gift-cards.replace', $card) }}" class="stack">@csrf
                <div><label for="code">Number of the new card; empty: one is drawn</label><input class="form-control"
                    id="code" name="code" inputmode="numeric" autocomplete="off" maxlength="24"
                        value="{{ old('code') }}"></div>
                <div><label for="replace-reason">Why</label><input class="form-control" id="replace-reason"
                    name="reason" maxlength="160" autocomplete="off"></div>
                <button class="quiet-act">Replace the card</button>
                <p class="small soft mb-0">The lost number never counts again.</p>
            </form>
            <h2 class="mt-4">Good until</h2>
            <form method="post" action="{{ route('gift-cards.extend', $card) }}" class="stack">@csrf
                <div><label for="until">Extend to</label><input class="form-control" type="date" id="until"
                    name="until" min="{{ $today->format('Y-m-d') }}" value="{{ $today->addYear()->format('Y-m-d') }}">
                    </div>
                <div><label for="extend-reason">Why</label><input class="form-control" id="extend-reason" name="reason"
                    maxlength="160" autocomplete="off"></div>
                <button class="quiet-act">Extend</button>
            </form>
            <h2 class="mt-4">{{ $card->blocked ? 'Let it go again' : 'Block' }}</h2>
            <form method="post" action="{{ route('gift-cards.block', $card) }}" class="stack">@csrf
                <div><label for="block-reason">Why</label><input class="form-control" id="block-reason" name="reason"
                    maxlength="160" autocomplete="off"></div>
                <button class="quiet-act">{{ $card->blocked ? 'Let it go' : 'Block the card' }}</button>
            </form>
            @else
            <p class="small soft">A supervisor or the office can block, replace or extend it.</p>
            @endcan
        </aside>
    </div>
</div>
@endsection
