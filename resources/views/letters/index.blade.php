@use('Elmstone\Receivables\Letters\LetterLevels')
@use('Elmstone\Receivables\OnItsWay')
@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'Reminder letters')
@section('main')
<div class="page">
    <div class="page-head"><h1>Reminder letters</h1>
    @if($levels !== [])<span class="soft">after {{ collect($levels)->pluck('after')->join(', ', ' and ') }} days late;
        not about what is disputed, nor what unused credit would meet</span>@endif
        @if($toPrint > 0)<div class="end"><a class="link-act" href="{{ route('letters.print') }}">Print today’s
            {{ $toPrint === 1 ? 'letter' : "{$toPrint} letters" }}</a></div>@endif</div>
    @include('design.messages')
    @if($levels === [])<p class="empty">The shop sends none.</p>
    @elseif($due === [])<p class="empty">No letter is due today.</p>
    @else
    <form method="post" action="{{ route('letters.send') }}">@csrf
        <table class="ruled">
            <thead><tr><td></td><th>Account</th><th>Name</th><th>Letter</th><th>Late</th>
            <th class="figure">Open, {{ $house->currency()->code }}</th><th class="figure">Fee</th><th>How</th></tr>
            </thead>
            @foreach($due as $one)@php($customer = $one->account->customer)<tr><td>
            <input class="form-check-input m-0" type="checkbox" name="accounts[]" value="{{ $customer->id }}"
                aria-label="Write to {{ $customer->name }}" @checked($one->promised === null)></td>
            <td class="code">{{ $customer->number }}</td>
            <td><a href="{{ route('accounts.show', $customer) }}">{{ $customer->name }}</a>
                @if($one->promised !== null)<span class="small ochre">promised until
                    {{ Show::date($one->promised) }}</span>@endif</td>
            <td class="nowrap">{{ $one->level->title() }}</td>
            <td class="small">{{ collect($one->items)->take(3)->map(fn ($late) => "{$late->item->label} "
                .$late->daysLate.($late->daysLate === 1 ? ' day' : ' days'))->implode(', ') }}{{ count($one->items) > 3
                    ? ' and '.(count($one->items) - 3).' more' : '' }}</td>
            <td class="figure">{{ $one->total() }}</td>
            <td class="figure">{{ $one->level->fee->isZero() ? '' : $one->level->fee }}</td>
            <td class="small">{{ $customer->mail === '' ? 'print' : $customer->mail }}</td></tr>@endforeach
        </table>
        <p class="mt-3"><button class="main-act narrow">Send the letters</button></p>
    </form>
    @endif
    @if($sent->isNotEmpty())
    <h2 class="mt-4">Sent lately</h2>
    <table class="ruled">
        <thead><tr><th>On</th><th>Account</th><th>Letter</th><th class="figure">Open</th><th>How</th><td></td></tr>
        </thead>
        @foreach($sent as $letter)<tr><td class="nowrap">{{ Show::date($letter->sent_on) }}</td>
        <td><a href="{{ route('accounts.show', $letter->customer) }}">{{ $letter->customer->name }}</a></td>
        <td class="nowrap">{{ $letter->data['title'] }}</td><td class="figure">{{ $letter->total }}</td>
        <td class="small">@if($letter->way->value === 'print')print
            @elseif($letter->state === 'mailed')<span class="soft">mailed by {{ $letter->staff->name }}</span>
            @elseif($letter->state === OnItsWay::STATE && ! $letter->isUnsure())<span class="soft">being mailed</span>
            @else<span class="brick">{{ match(true) { $letter->isUnsure() => 'nobody knows whether it went',
                $letter->trouble === '' => 'not mailed yet', default => $letter->trouble } }}</span>
            <form class="d-inline" method="post" action="{{ route('letters.mail-again', $letter) }}">@csrf
                <button class="link-act">mail it again</button></form>@endif</td>
        <td class="small"><a href="{{ route('letters.paper', $letter) }}">paper</a></td></tr>@endforeach
    </table>
    @endif
    @can('manage-accounts')
    <h2 class="mt-5">What the letters say</h2>
    <form method="post" action="{{ route('letters.settings') }}">@csrf
        <table class="ruled letter-levels"><thead><tr><th class="figure nowrap">Days late</th>
        <th class="figure nowrap">Fee, {{ $house->currency()->code }}</th><th>Words</th></tr></thead>
        @for($i = 0; $i < LetterLevels::MOST; $i++)@php($level = $levels[$i] ?? null)<tr>
        <td><input class="form-control text-end @error("after.{$i}") is-refused @enderror" name="after[{{ $i }}]"
            size="4" inputmode="numeric" aria-label="Days late before letter {{ $i + 1 }}"
                value="{{ old("after.{$i}", $level?->after) }}">
            @error("after.{$i}")<p class="complaint">{{ $message }}</p>@enderror</td>
        <td><input class="form-control text-end @error("fee.{$i}") is-refused @enderror" name="fee[{{ $i }}]" size="7"
            inputmode="decimal" aria-label="Fee of letter {{ $i + 1 }}" placeholder="none"
                value="{{ old("fee.{$i}", $level === null || $level->fee->isZero() ? '' : $level->fee->toString()) }}">
            @error("fee.{$i}")<p class="complaint">{{ $message }}</p>@enderror</td>
        <td class="w-100"><textarea class="form-control @error("words.{$i}") is-refused @enderror" rows="2"
            name="words[{{ $i }}]" maxlength="1000"
                aria-label="Words of letter {{ $i + 1 }}">{{ old("words.{$i}", $level?->words) }}</textarea>
            @error("words.{$i}")<p class="complaint">{{ $message }}</p>@enderror</td></tr>@endfor
        </table>
        @error('after')<p class="complaint">{{ $message }}</p>@enderror
        <p class="mt-3"><button class="quiet-act">Keep</button> <span class="soft small">A letter without days is
            none.</span></p>
    </form>
    @endcan
</div>
@endsection
