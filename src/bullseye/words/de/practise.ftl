## Practice on the ground.

practise-path = Sie bemerken { $angle } neben dem Gleitweg: eine halbe Meile vorher sind das { $off }. Aus { $pictures } Bildern.
practise-path_flown_high = Was Ihnen richtig aussieht, liegt { $angle } über dem Gleitweg: Sie würden hier zu hoch fliegen.
practise-path_flown_low = Was Ihnen richtig aussieht, liegt { $angle } unter dem Gleitweg: Sie würden hier zu tief fliegen. Gas, und noch einmal schauen.
practise-roundout = Sie lagen im Mittel { $height } in der Höhe und { $late } in der Zeit daneben.
practise-roundout_high = Meist zu früh: im Mittel { $height } zu hoch, und von dort durchgesackt.
practise-roundout_late = Meist um { $late } zu spät: beginnen Sie an der Marke der Bemalung, einen Strich früher.
practise-refused_altered = Diese Bilder sind nicht mehr, wie sie ausgegeben wurden. Beginnen Sie die Übung neu.
practise-refused_anothers = Diese Bilder wurden an jemand anderen ausgegeben. Beginnen Sie die Übung selbst.
practise-refused_old = Diese Bilder sind mehr als 30 Tage alt. Beginnen Sie die Übung neu.
practise-refused_how_many = Beantworten Sie { $least } bis { $most } Bilder: weniger sagen nichts, und mehr wurden nicht ausgegeben.
practise-refused_not_of_these = Diese Antworten gehören nicht zu dem, was ausgegeben wurde. Beginnen Sie die Übung neu.
