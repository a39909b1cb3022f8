@extends('layout')
@section('title', 'Auditor')
@section('main')
<div class="page">
    <div class="page-head"><h1>For the auditor</h1><span class="soft">{{ $period->words() }}</span></div>
    @include('design.messages')
    <x-period :period="$period" :action="route('auditor')"/>
    <div class="split">
    <div>
        <h2>Hand over</h2>
        <table class="ruled"><tbody>
            <tr><td><a href="{{ route('auditor.file', $period->query()) }}">export.jsonl</a></td>
                <td>Everything in one file, sealed and signed: chart and balances, customers, every document with its
                    journal. <span class="code">bin/verify</span> checks it without this program’s database.</td></tr>
            @foreach($tables as $table => [$what, $columns])<tr>
                <td class="nowrap"><a href="{{ route('auditor.table',
                    ['table' => $table, ...$period->query()]) }}">{{ $table }}.csv</a></td><td>{{ $what }}</td></tr>
            @endforeach
            <tr><td><a href="{{ route('auditor.description') }}">description.txt</a></td><td>What every column is</td>
            </tr>
        </tbody></table>
    </div>
    <aside>
        <h2>Check</h2>
        <form method="post" action="{{ route('auditor.check') }}" enctype="multipart/form-data" class="stack">@csrf
            @foreach($period->query() as $name => $value)<input type="hidden" name="{{ $name }}"
                value="{{ $value }}">@endforeach
            <div><label for="file" class="small soft">A file that was handed over; none: this period as it stands
                now</label><input class="form-control" type="file" id="file" name="file" accept=".jsonl">
                @include('design.complaint', ['field' => 'file'])</div>
            <button class="quiet-act">See what is found</button>
        </form>
        <p class="small soft mt-3">The shop’s key is <span class="code">{{ $fingerprint }}</span>. It stands on the
            paper of every closed day; a file that is signed with another is not ours.</p>
    </aside>
    </div>
    @if($found !== null)
    <h2 class="mt-4">What is found in {{ $of }}</h2>
    <div class="note {{ $found->isRight() ? 'done' : 'stop' }}" role="status"><p>
        <strong>{{ $found->isRight() ? 'All is right.' : ($found->faultCount === 1 ? 'One fault.'
            : "{$found->faultCount} faults.") }}</strong>
        {{ number_format($found->documents) }} documents from {{ $found->from }} to {{ $found->until }},
        {{ $found->days }} signatures of closed days, key <span class="code">{{ $found->fingerprint }}</span>,
        {{ number_format($seconds, 1) }} s</p></div>
    @if($found->faults !== [])<ul>@foreach($found->faults as $fault)<li>{{ $fault }}</li>@endforeach</ul>@endif
    @endif
</div>
@endsection
