@use('Elmstone\Support\ShopTime')
@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'Devices')
@section('main')
<div class="page">
    <div class="page-head"><h1>Devices at {{ $till->name }}</h1>
    <span class="soft">simulated: play the outside world here</span></div>
    @include('design.messages')
    <div class="split">
        <div>
            <h2>Card terminal {{ $till->number }}</h2>
            <form method="post" action="{{ route('devices.terminal') }}" class="d-flex gap-2 align-items-end mb-2">
                @csrf
                <div><label for="mood" class="small soft">The next card</label>
                <select class="form-select" id="mood" name="mood">@foreach($moods as $one)
                <option value="{{ $one->value }}" @selected($one === $mood)>{{ $one->label() }}</option>@endforeach
                </select></div>
                <div><label for="put" class="small soft">is</label><select class="form-select" id="put" name="put">
                <option value="">any of them</option>@foreach($cards as $number => $words)<option
                    value="{{ $number }}" @selected($put === $number)>{{ $words }}</option>@endforeach</select></div>
                <button class="quiet-act">Set</button>
            </form>
            <form method="post" action="{{ route('devices.batch') }}" class="d-flex gap-2 align-items-end mb-2">@csrf
                <div><label for="off" class="small soft">Its report of the day is off by</label>
                <input class="form-control w-6 text-end" id="off" name="off" inputmode="decimal"
                    value="{{ $off->isZero() ? '' : $off->abs()->toString() }}" placeholder="nothing"></div>
                <select class="form-select w-auto" name="way" aria-label="Which way"><option value="less"
                    @selected($off->isNegative())>too little</option><option value="more"
                    @selected($off->isPositive())>too much</option></select>
                <button class="quiet-act">Set</button></form>
            <table class="ruled mb-4">
                <thead><tr><th>Asked</th><th class="figure">Amount</th><th class="figure">Approved</th><th>Outcome</th>
                <th>Card</th></tr></thead>
                <tbody>@forelse($requests as $request)<tr>
                <td>{{ ShopTime::at($request->asked_at)->format('H:i:s') }}</td>
                <td class="figure">{{ $house->money($request->amount) }}</td>
                <td class="figure">{{ $house->money($request->approved) }}</td>
                <td>{{ $request->act === 'given_back' ? 'given back' : $request->outcome }} {{ $request->reason }}</td>
                <td>{{ $request->card_type }} {{ $request->last_four }}</td></tr>@empty<tr>
                <td colspan="5" class="soft">Nothing asked yet.</td></tr>@endforelse</tbody>
            </table>
            @can('see-mailbox')
            <h2>Mailbox</h2>
            <form method="post" action="{{ route('devices.mailbox') }}" class="mb-2">
            @csrf<input type="hidden" name="broken" value="{{ $mailAway ? '0' : '1' }}"><span
                class="small {{ $mailAway ? 'ochre' : 'soft' }}">{{ $mailAway ? 'It does not answer.'
                    : 'It answers.' }}</span> <button
                        class="link-act">{{ $mailAway ? 'answer again' : 'do not answer' }}</button></form>
            <table class="ruled mb-4">
                <tbody>@forelse($mails as $mail)<tr><td class="text-nowrap">{{ Show::moment($mail->sent_at) }}</td>
                <td>{{ $mail->recipient }}<div class="small soft">{{ $mail->subject }}</div><details class="small">
                <summary>read</summary><p class="mb-0">{!! nl2br(e($mail->body)) !!}</p></details></td>
                <td class="figure">
                @if($mail->attachment_name !== '')<a
                    href="{{ route('devices.attachment', $mail->id) }}">{{ $mail->attachment_name }}</a>@endif</td></tr>
                    @empty<tr><td class="soft">Nothing was mailed yet.</td></tr>@endforelse</tbody>
            </table>
            @endcan
            <h2>Cash drawer</h2>
            <p>{{ ($drawer['opened'] ?? 0) === 0 ? 'Has not opened yet.'
                : "Opened {$drawer['opened']} times, last at ".ShopTime::at($drawer['last'])->format('H:i:s').'.' }}</p>
            <h2>Customer display</h2>
            <p><a href="{{ route('devices.display', $till) }}"
                target="_blank">Open the display of {{ $till->name }}</a>; it follows the slip.</p>
            <h2>Web shop</h2>
            <p><a href="{{ route('devices.web-shop') }}">Place orders as a web shop</a>, right and wrong ones.</p>
            <p class="small soft"><a href="{{ route('design') }}">Parts of the pages</a></p>
        </div>
        <aside>
            <h2>Receipt printer</h2>
            <form method="post" action="{{ route('devices.printer') }}" class="mb-2">
            @csrf<input type="hidden" name="broken" value="{{ $outOfPaper ? '0' : '1' }}"><span
                class="small {{ $outOfPaper ? 'ochre' : 'soft' }}">{{ $outOfPaper ? 'Out of paper.'
                    : 'It has paper.' }}</span> <button
                        class="link-act">{{ $outOfPaper ? 'put paper in' : 'run out of paper' }}</button></form>
            @forelse($papers as $paper)
                @if($loop->first)<iframe class="paper-frame mb-2" src="{{ route('devices.paper', $paper->id) }}"
                    title="Printed: {{ $paper->title }}"></iframe>@endif
                <div class="small">
                <a href="{{ route('devices.paper', $paper->id) }}">{{ $paper->title }}</a> <span
                    class="soft">{{ Show::moment($paper->printed_at) }}</span></div>
            @empty
                <p class="soft">Nothing was printed yet.</p>
            @endforelse
        </aside>
    </div>
</div>
@endsection
