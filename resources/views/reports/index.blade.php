@extends('layout')
@section('title', 'Reports')
@section('main')
<div class="page">
    <div class="page-head"><h1>Reports</h1></div>
    @include('design.messages')
    <div class="report-list">
    @if($kept->isNotEmpty())<section><h2>As you keep them</h2><ul>@foreach($kept as $one)<li>
        <a href="{{ route('reports.show', ['report' => $one->report, ...$one->query]) }}">{{ $one->name }}</a>
        @if($one->every !== '')<span class="small soft">mailed every {{ $one->every }} to {{ $one->mail_to }}</span>
        @endif
        <form class="d-inline" method="post" action="{{ route('reports.forget', $one->id) }}">@csrf<button
            class="link-act small">Forget</button></form></li>@endforeach</ul></section>@endif
    @foreach($groups as $group => $reports)<section><h2>{{ $group }}</h2><ul>@foreach($reports as $report)<li>
        <a href="{{ route('reports.show', $report->key()) }}">{{ $report->title() }}</a>
        <div class="small soft">{{ $report->question() }}</div></li>@endforeach
        @if($group === 'Sales')<li><a href="{{ route('day') }}">Day sheet</a><div class="small soft">One day on one
            page: what for, how paid, till by till.</div></li>@endif
        @if($group === 'Office')@can('see-ageing')<li><a href="{{ route('accounts') }}">Ageing</a><div
            class="small soft">What is owed, how late, as of any day.</div></li>@endcan @endif</ul></section>
    @endforeach
    </div>
</div>
@endsection
