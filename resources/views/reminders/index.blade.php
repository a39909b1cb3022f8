@use('Carbon\CarbonImmutable')
@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'Reminders')
@section('main')
<div class="page">
    <div class="page-head"><h1>Reminders</h1>
    <span class="soft">who is to be reminded on {{ Show::date($day) }}; each goes out once</span>
        @if(collect($reminders)->contains(fn ($one) => $one->mail !== ''))<div class="end">
        <form method="post" action="{{ route('reminders.send') }}">
        @csrf <button class="main-act narrow">Mail {{ collect($reminders)->where('mail', '!=', '')->count() }}</button>
        </form></div>@endif</div>
    @include('design.messages')
    @if($reminders === [])<p class="empty">Nobody is to be reminded today.</p>
    @else
    <table class="ruled">
        <thead><tr><th>Customer</th><th>Of</th><th>Due</th><td></td><th class="figure">Open</th><th>How</th></tr>
        </thead>
        @foreach($reminders as $reminder)<tr><td>{{ $reminder->customer }}</td>
        <td>{{ $reminder->about->words() }} <a class="code"
            href="{{ route($reminder->about->value === 'plan' ? 'plans.show'
                : 'layaways.show', $reminder->label) }}">{{ $reminder->label }}</a></td>
                <td class="nowrap">{{ Show::date($reminder->due) }}</td>
                <td class="{{ $reminder->late > 0 ? 'brick' : 'soft' }}">{{ $reminder->when() }}</td>
                <td class="figure">{{ $reminder->open }}</td><td class="small">
                @if($reminder->mail !== ''){{ $reminder->mail }}@else<a
                    href="{{ route('reminders.paper', $reminder->key()) }}">print it</a>{{ $reminder->phone === '' ? ''
                        : ", or call {$reminder->phone}" }} <form class="d-inline" method="post"
                            action="{{ route('reminders.done', $reminder->key()) }}">
                            @csrf <button class="link-act">done</button></form>@endif</td></tr>@endforeach
    </table>
    @endif
    @if($sent->isNotEmpty())
    <h2 class="mt-4">Sent lately</h2>
    <table class="ruled">@foreach($sent as $row)<tr>
    <td class="nowrap">{{ Show::date(CarbonImmutable::parse($row->sent_on)) }}</td><td>{{ $row->mail_to }}</td>
    <td class="small soft">{{ $row->about === 'plan' ? sprintf('PLN-%06d', $row->about_id)
        : sprintf('LAY-%06d', $row->about_id) }}, due {{ Show::date(CarbonImmutable::parse($row->due)) }}</td></tr>
        @endforeach</table>
    @endif
</div>
@endsection
